<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use RuntimeException;

/** The document is not a recipe; the message names the place and what is wrong there. */
final class UnreadableRecipe extends RuntimeException {}
