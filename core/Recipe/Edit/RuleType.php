<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

enum RuleType
{
    case Text;
    case Choice;
    case Whole;
    case Real;
    case Flag;
    case Several;
    case Names;
}
