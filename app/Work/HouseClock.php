<?php

declare(strict_types=1);

namespace KeenMargin\App\Work;

use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * What time it is for all that comes due: the machine's, moved by as many seconds as KEEN_CLOCK_OFFSET says. The demo
 * plays in a month of its own.
 */
final readonly class HouseClock implements ClockInterface
{
    public function __construct(#[Autowire('%env(int:KEEN_CLOCK_OFFSET)%')] private int $offset = 0) {}

    public function now(): \DateTimeImmutable
    {
        return (new \DateTimeImmutable())->modify(\sprintf('%+d seconds', $this->offset));
    }
}
