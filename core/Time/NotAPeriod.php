<?php

declare(strict_types=1);

namespace KeenMargin\Core\Time;

final class NotAPeriod extends \InvalidArgumentException
{
    public function __construct(public readonly string $given, string $wanted)
    {
        parent::__construct(\sprintf('"%s" is not a period; give %s.', $given, $wanted));
    }
}
