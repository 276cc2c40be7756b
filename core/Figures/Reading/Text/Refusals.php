<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

/**
 * The rows that cannot be taken, as they turn up. Too many end the reading: then it is the file that is wrong, not some
 * rows.
 */
final class Refusals
{
    /** @var list<Refusal> */
    private array $list = [];

    /** @throws RefusedFigures */
    public function add(int $row, string $column, string $reason): void
    {
        $this->list[] = new Refusal($row, $column, $reason);
        if (\count($this->list) >= Limits::REFUSALS) {
            $this->insistOnNone();
        }
    }

    public function areNone(): bool
    {
        return [] === $this->list;
    }

    /** @throws RefusedFigures */
    public function insistOnNone(): void
    {
        if ([] !== $this->list) {
            throw RefusedFigures::rows($this->list);
        }
    }
}
