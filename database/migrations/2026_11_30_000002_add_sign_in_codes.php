<?php

declare(strict_types=1);

use App\Models\Codes;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('people', static function (Blueprint $t): void {
            // a student's own short code, on their card; names of a class are shown to nobody who is not signed in
            $t->string('code', 8)->nullable();
            $t->unique(['class_id', 'code']);
        });
        foreach (
            DB::table('people')
                ->where('role', 'student')
                ->orderBy('id')
                ->get(['id', 'class_id'])
            as $p
        ) {
            DB::table('people')
                ->where('id', $p->id)
                ->update(['code' => Codes::own((int) $p->class_id)]);
        }
        // only tries that failed stay; they are thrown away after a day
        Schema::create('sign_in_tries', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('person_id')->nullable()->constrained('people')->cascadeOnDelete();
            $t->string('device', 40);
            $t->string('address', 45);
            $t->timestamp('created_at');
            $t->index(['device', 'created_at']);
            $t->index(['address', 'created_at']);
            $t->index(['person_id', 'created_at']);
        });
        Schema::create('known_devices', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $t->string('device', 40);
            $t->timestamp('seen_at');
            $t->unique(['person_id', 'device']);
            $t->index('device');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('known_devices');
        Schema::dropIfExists('sign_in_tries');
        Schema::table('people', static function (Blueprint $t): void {
            $t->dropUnique(['class_id', 'code']);
            $t->dropColumn('code');
        });
    }
};
