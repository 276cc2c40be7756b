<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Part;

use KeenMargin\Core\Document\Shape\ToJson;

/**
 * Which row of a chart: the panel that it stands in, and the period, member or sum that it is. Of a waterfall also the
 * opened steps that it stands within, and which part of the way it is on where there are totals between.
 */
final readonly class RowKey implements ToJson
{
    /** Stands between an opened step and one of its own steps. */
    private const WITHIN = '\\>';

    /** Unique among the rows and sums of a chart; nobody takes it apart again. */
    public string $id;

    /**
     * @param ?string $name key of a period, or a member, which may be blank; of a subtotal the step before it; null: a
     *                      sum
     * @param ?PanelKey $panel null: the chart has one panel only
     * @param list<string> $within names of the opened steps that it stands within, the outermost first
     * @param non-negative-int $leg totals between start and end that stand before it
     */
    private function __construct(
        public ?string $name,
        public ?SumKey $sum,
        public ?PanelKey $panel,
        public array $within = [],
        public int $leg = 0,
    ) {
        $row = match (true) {
            null === $sum => self::escaped((string) $name),
            null === $name => $sum->value,
            default => "{$sum->value}:$name",
        };
        $path = implode(self::WITHIN, [...array_map(self::escaped(...), $within), $row]);
        $onItsWay = 0 === $leg ? $path : "\\$leg:$path";
        $this->id = null === $panel ? $onItsWay : "$panel->id/$onItsWay";
    }

    public static function row(string $name, ?PanelKey $panel = null): self
    {
        return new self($name, null, $panel);
    }

    /** @param ?string $name of a subtotal the step before it, of a total between the scenario; null: none */
    public static function sum(SumKey $sum, ?PanelKey $panel = null, ?string $name = null): self
    {
        return new self($name, $sum, $panel);
    }

    public function inPanel(?PanelKey $panel): self
    {
        return $panel === $this->panel ? $this : new self($this->name, $this->sum, $panel, $this->within, $this->leg);
    }

    /** The same row as one of the steps of an opened one. */
    public function withinStep(self $step): self
    {
        $within = [...$step->within, $step->name ?? (string) $step->sum?->value];

        return new self($this->name, $this->sum, $step->panel, $within, $step->leg);
    }

    /** @param non-negative-int $leg */
    public function onLeg(int $leg): self
    {
        return new self($this->name, $this->sum, $this->panel, $this->within, $leg);
    }

    public function is(self $other): bool
    {
        return $this->id === $other->id;
    }

    /**
     * As recipes write it: the name or the sum alone where that says which row it is, else an object.
     *
     * @return string|array<string, string|true|int|list<string>> `2026-08`, `total`,
     *                                                            `{"panel": "North", "row": "2026-08"}`,
     *                                                            `{"others": true, "sum": "total"}`,
     *                                                            `{"within": ["Fuel"], "row": "North"}`
     */
    public function toJson(): string|array
    {
        $row = [
            ...null === $this->sum ? [] : ['sum' => $this->sum->value],
            ...null === $this->name ? [] : ['row' => $this->name],
            ...[] === $this->within ? [] : ['within' => $this->within],
            ...0 === $this->leg ? [] : ['leg' => $this->leg],
        ];
        $isPlain = 1 === \count($row) && !$this->isMistakable();

        return match (true) {
            null !== $this->panel => [
                ...$this->panel->isOthers() ? ['others' => true] : ['panel' => (string) $this->panel->member],
                ...$row,
            ],
            $isPlain => $this->sum->value ?? (string) $this->name,
            default => $row,
        };
    }

    /** Whether its name or sum alone would be read as another row. */
    private function isMistakable(): bool
    {
        return null === $this->sum
            ? '' === $this->name || null !== SumKey::maybePlain((string) $this->name)
            : !$this->sum->isPlain();
    }

    /** A member that is called as a sum or a step within another is told apart from it. */
    private static function escaped(string $name): string
    {
        $isLikeSum =
            null !== SumKey::tryFrom($name)
            || 1 === preg_match('/^(subtotal|through):/', $name)
            || str_contains($name, self::WITHIN);

        return $isLikeSum || str_starts_with($name, '\\') ? "\\$name" : $name;
    }
}
