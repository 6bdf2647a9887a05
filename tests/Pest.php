<?php

declare(strict_types=1);

use Illuminate\Foundation\Testing\RefreshDatabase;
use Tests\FeatureCase;

// The core is tested on its own: no framework is booted for tests/Core and tests/Reference.
uses(FeatureCase::class, RefreshDatabase::class)->in('Feature', 'Faults');
