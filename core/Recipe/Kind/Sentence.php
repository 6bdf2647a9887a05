<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

use Closure;

/**
 * A sentence with places for values, as words people read are written: "{width}" is a value, "{x:further to the right}"
 * one that is called so there ("$by" in it: what is chosen for "by"), "{alignx@point}" one whose choices are told another
 * way. What stands in brackets is said where all values right in it matter, "[way=around| about {about}]" where that is
 * chosen; conditions are joined by "and" before "or", "!=" is anything else.
 *
 * @phpstan-type Node string|Piece|array{list<list<array{string, bool, list<string>}>>, list<mixed>}
 */
final class Sentence
{
    /** @var array<string, list<Node>> */
    private static array $parsed = [];

    /**
     * @param Closure(string): string $value what is chosen or typed for a key
     * @param Closure(string): bool $matters whether a key counts in the way the step is set
     * @return list<string|Piece> words and places, no two of the words side by side
     */
    public static function pieces(string $template, Closure $value, Closure $matters): array
    {
        if (!isset(self::$parsed[$template])) {
            $at = 0;
            self::$parsed[$template] = self::parse($template, $at);
        }
        $out = [];
        foreach (self::said(self::$parsed[$template], $value, $matters) as $piece) {
            $last = count($out) - 1;
            if (is_string($piece) && $last >= 0 && is_string($out[$last])) {
                $out[$last] .= $piece;
            } else {
                $out[] = $piece;
            }
        }

        return $out;
    }

    /**
     * A text with conditions and without places.
     *
     * @param Closure(string): string $value
     */
    public static function text(string $template, Closure $value): string
    {
        return implode('', array_filter(self::pieces($template, $value, static fn(): bool => true), is_string(...)));
    }

    /** @return list<Node> */
    private static function parse(string $t, int &$at): array
    {
        $out = [];
        while ($at < strlen($t) && $t[$at] !== ']') {
            if ($t[$at] === '[') {
                $at++;
                $conditions = [];
                if (preg_match('/\G([a-z0-9]+!?=[^|\[\]{}]*)\|/', $t, $m, 0, $at) === 1) {
                    $at += strlen($m[0]);
                    $conditions = self::conditions($m[1]);
                }
                $out[] = [$conditions, self::parse($t, $at)];
                $at++;
            } elseif ($t[$at] === '{') {
                preg_match('/\G\{([a-z0-9.]+)(?:@([a-z]+))?(?::([^}]*))?\}/', $t, $m, 0, $at);
                $at += strlen($m[0] ?? '{');
                $out[] = new Piece($m[1] ?? '', $m[3] ?? '', $m[2] ?? '');
            } else {
                $n = strcspn($t, '[]{', $at);
                $out[] = substr($t, $at, $n);
                $at += $n;
            }
        }

        return $out;
    }

    /** @return list<list<array{string, bool, list<string>}>> one of these, each: all of these */
    private static function conditions(string $text): array
    {
        $one = static function (string $c): array {
            [$key, $values] = explode('=', $c, 2) + [1 => ''];

            return [rtrim($key, '!'), !str_ends_with($key, '!'), explode(',', $values)];
        };

        return array_map(static fn(string $all): array => array_map($one, explode(' and ', $all)), explode(' or ', $text));
    }

    /**
     * @param list<mixed> $nodes
     * @param Closure(string): string $value
     * @param Closure(string): bool $matters
     * @return list<string|Piece>
     */
    private static function said(array $nodes, Closure $value, Closure $matters): array
    {
        $out = [];
        foreach ($nodes as $node) {
            if (is_string($node)) {
                $out[] = $node;
            } elseif ($node instanceof Piece) {
                $out[] = !str_contains($node->label, '$')
                    ? $node
                    : new Piece(
                        $node->key,
                        (string) preg_replace_callback('/\$([a-z]+)/', static fn(array $m): string => $value($m[1]), $node->label),
                        $node->variant,
                    );
            } elseif (is_array($node) && ($node[0] === [] ? self::allMatter($node[1], $matters) : self::holds($node[0], $value))) {
                array_push($out, ...self::said($node[1], $value, $matters));
            }
        }

        return $out;
    }

    /**
     * @param list<mixed> $nodes
     * @param Closure(string): bool $matters
     */
    private static function allMatter(array $nodes, Closure $matters): bool
    {
        foreach ($nodes as $node) {
            if ($node instanceof Piece && !$matters($node->key)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param list<list<array{string, bool, list<string>}>> $conditions
     * @param Closure(string): string $value
     */
    private static function holds(array $conditions, Closure $value): bool
    {
        foreach ($conditions as $all) {
            $holds = true;
            foreach ($all as [$key, $is, $values]) {
                $holds = $holds && in_array($value($key), $values, true) === $is;
            }
            if ($holds) {
                return true;
            }
        }

        return false;
    }
}
