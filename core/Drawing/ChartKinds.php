<?php

declare(strict_types=1);

namespace KeenMargin\Core\Drawing;

use KeenMargin\Core\Kind\CapacityFill\CapacityFill;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Kind\GapLine\GapLine;
use KeenMargin\Core\Kind\Hat\HatGraph;
use KeenMargin\Core\Kind\NestedColumns\NestedColumns;
use KeenMargin\Core\Kind\TargetMarks\TargetMarks;
use KeenMargin\Core\Kind\VarianceTiers\VarianceTiers;

/** The kinds there are, by their ids. */
final readonly class ChartKinds
{
    /** @var array<string, ChartKind> */
    private array $kinds;

    /** @param iterable<ChartKind> $kinds */
    public function __construct(iterable $kinds)
    {
        $byId = [];
        foreach ($kinds as $kind) {
            $byId[$kind->id()] = $kind;
        }
        $this->kinds = $byId;
    }

    public static function all(): self
    {
        return new self([
            new VarianceTiers(),
            new NestedColumns(),
            new TargetMarks(),
            new GapLine(),
            new HatGraph(),
            new CapacityFill(),
        ]);
    }

    /** @return list<ChartKind> in their order */
    public function list(): array
    {
        return array_values($this->kinds);
    }

    public function of(string $id): ChartKind
    {
        return $this->kinds[$id] ??
            throw new \InvalidArgumentException(
                "There is no kind \"$id\"; there are ".implode(', ', array_keys($this->kinds)).'.',
            );
    }
}
