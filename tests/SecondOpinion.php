<?php

declare(strict_types=1);

namespace Tests;

/**
 * The same parts in another modelling kernel: Open CASCADE Technology by its command interpreter, as Debian packages it
 * (occt-draw). It knows faces by no names, so edges and faces are picked by the middle of the box around them.
 */
final class SecondOpinion
{
    private const COMMAND = '/usr/bin/occt-draw-7.6';

    /** @var array<string, array{float, float}|null>|null */
    private static ?array $found = null;

    public static function isThere(): bool
    {
        return is_executable(self::COMMAND);
    }

    /**
     * Volume and area of every part, mm3 and mm2; null where the other kernel made none.
     *
     * @param array<string, string> $scripts commands that leave the part in "r", by name
     * @return array<string, array{float, float}|null>
     */
    public static function of(array $scripts): array
    {
        if (self::$found !== null) {
            return self::$found;
        }
        $dir = sys_get_temp_dir() . '/second-opinion-' . bin2hex(random_bytes(6));
        mkdir($dir);
        // the package lacks the link without a number that its own plug-in file asks for
        foreach (glob('/usr/lib/*/libTKTopTest.so.7') ?: [] as $library) {
            symlink($library, "$dir/libTKTopTest.so");
        }
        $tcl = self::PICK;
        foreach ($scripts as $name => $script) {
            $tcl .= "puts \"PART $name\"\nif {[catch {\n$script\nputs \"VOLUME [vprops r 1e-10 -full]\"\nputs \"AREA [sprops r 1e-10 -full]\"\n} problem]} {puts \"FAILED \$problem\"}\n";
        }
        file_put_contents("$dir/parts.tcl", $tcl . "exit\n");
        $out = (string) shell_exec(
            'LD_LIBRARY_PATH=' . escapeshellarg($dir) . ' ' . self::COMMAND . ' -b -f ' . escapeshellarg("$dir/parts.tcl") . ' 2>&1',
        );
        array_map(unlink(...), glob("$dir/*") ?: []);
        rmdir($dir);
        self::$found = [];
        foreach (array_slice(explode("\nPART ", "\n$out"), 1) as $text) {
            $name = trim((string) strtok($text, "\n"));
            self::$found[$name] = preg_match('/VOLUME.*?Mass\s*:\s*([-\d.e+]+).*?AREA.*?Mass\s*:\s*([-\d.e+]+)/s', $text, $m)
                ? [(float) $m[1], (float) $m[2]]
                : null;
        }

        return self::$found;
    }

    /** pick SHAPE e|f X Y Z ?WIDTH?: the name of the edge or face whose box has its middle there, and that width along x. */
    private const PICK = <<<'TCL'
    pload MODELING
    proc pick {shape kind x y z {width -1}} {
        set best 1e30
        set found ""
        foreach s [uplevel #0 [list explode $shape $kind]] {
            set b [uplevel #0 [list bounding $s]]
            set d 0.0
            foreach k {0 1 2} p [list $x $y $z] { set d [expr {$d + abs(([lindex $b $k] + [lindex $b [expr {$k + 3}]]) / 2 - $p)}] }
            if {$width >= 0} { set d [expr {$d + abs([lindex $b 3] - [lindex $b 0] - $width)}] }
            if {$d < $best} { set best $d; set found $s }
        }
        if {$best > 0.2} { error "nothing at $x $y $z: $best" }
        return $found
    }

    TCL;
}
