<?php

declare(strict_types=1);

namespace KeenMargin\Core\Drawing;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Kind\Bridge\Bridge;
use KeenMargin\Core\Kind\BuildUp\BuildUp;
use KeenMargin\Core\Kind\Bullet\Bullet;
use KeenMargin\Core\Kind\CapacityFill\CapacityFill;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Kind\ComparisonTable\ComparisonTable;
use KeenMargin\Core\Kind\GapLine\GapLine;
use KeenMargin\Core\Kind\Gauge\Gauge;
use KeenMargin\Core\Kind\Hat\HatGraph;
use KeenMargin\Core\Kind\NestedColumns\NestedColumns;
use KeenMargin\Core\Kind\Progress\Progress;
use KeenMargin\Core\Kind\Statement\Statement;
use KeenMargin\Core\Kind\TargetMarks\TargetMarks;
use KeenMargin\Core\Kind\Thermometer\Thermometer;
use KeenMargin\Core\Kind\VarianceTiers\VarianceTiers;
use KeenMargin\Core\Question\Kinds;

/** The kinds there are, in the order in which they are offered. */
final readonly class ChartKinds implements Kinds
{
    /** @var non-empty-array<string, ChartKind> by their ids */
    private array $kinds;

    public function __construct(ChartKind $first, ChartKind ...$more)
    {
        $kinds = [$first->id() => $first];
        foreach ($more as $kind) {
            $kinds[$kind->id()] = $kind;
        }
        $this->kinds = $kinds;
    }

    /** A kind is added here, by one line. The first one can draw every question. */
    public static function all(): self
    {
        return new self(
            new VarianceTiers(),
            new NestedColumns(),
            new TargetMarks(),
            new GapLine(),
            new HatGraph(),
            new CapacityFill(),
            new BuildUp(),
            new Bridge(),
            new Statement(),
            new Bullet(),
            new Gauge(),
            new Thermometer(),
            new Progress(),
            new ComparisonTable(),
        );
    }

    /** @return non-empty-list<ChartKind> */
    public function list(): array
    {
        return array_values($this->kinds);
    }

    public function ids(): array
    {
        return array_keys($this->kinds);
    }

    public function first(): ChartKind
    {
        return $this->list()[0];
    }

    public function firstFor(Dataset $dataset): ChartKind
    {
        foreach ($this->kinds as $kind) {
            if ($kind->isFirstFor($dataset)) {
                return $kind;
            }
        }

        return $this->first();
    }

    public function of(string $id): ChartKind
    {
        return $this->kinds[$id] ??
            throw new \InvalidArgumentException("There is no kind \"$id\"; there are ".implode(', ', $this->ids()).'.');
    }
}
