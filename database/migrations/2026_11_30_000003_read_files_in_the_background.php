<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('part_files', static function (Blueprint $t): void {
            $t->string('state', 12)->default('read');
            $t->string('stage', 40)->default('');
            $t->text('problem')->default('');
        });
    }

    public function down(): void
    {
        Schema::table('part_files', static function (Blueprint $t): void {
            $t->dropColumn(['state', 'stage', 'problem']);
        });
    }
};
