<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Result\Workings;

/** The name of a series with the mark that it is drawn as. */
final readonly class SeriesKey
{
    private const SIZE = 8.0;

    private function __construct(
        public string $name,
        public Ink $ink,
        public bool $isStrong,
        private string $shape,
        private Style $style,
    ) {}

    public static function bar(string $name, Style $style, bool $isStrong = false, Ink $ink = Ink::Ink): self
    {
        return new self($name, $ink, $isStrong, 'bar', $style);
    }

    public static function scenario(Scenario $scenario, string $shape = 'bar'): self
    {
        $style =
            'bar' === $shape
                ? Style::scenario($scenario)
                : Style::mark(Scenario::PriorYear === $scenario ? Ink::PriorYear : Ink::Ink);

        return new self(
            $scenario->value,
            Scenario::PriorYear === $scenario ? Ink::Quiet : Ink::Ink,
            Scenario::Actual === $scenario,
            $shape,
            $style,
        );
    }

    public static function shaped(string $name, string $shape, Ink $ink): self
    {
        return new self($name, Ink::Ink, false, $shape, Style::mark($ink));
    }

    /**
     * Of a comparison: the reference, what is shown, and a second reference by its own shape.
     *
     * @param string $shape of the first reference
     *
     * @return list<self> from top to bottom
     */
    public static function comparison(Workings $workings, string $shape = 'bar', ?string $second = 'triangle'): array
    {
        $reference = $workings->table->reference()?->scenario;
        $keys = null === $reference ? [] : [self::scenario($reference, $shape)];
        foreach (array_filter([$workings->context->forecast, $workings->context->scenario]) as $scenario) {
            $keys[] = self::scenario($scenario);
        }
        foreach (\array_slice($workings->table->references, 1) as $other) {
            null === $second || null === $other->scenario || ($keys[] = self::scenario($other->scenario, $second));
        }

        return array_values(array_unique($keys, \SORT_REGULAR));
    }

    /** Its mark, left of x, beside a line of text at y. */
    public function draw(Canvas $canvas, float $x, float $y): void
    {
        $left = $x - self::SIZE - 1.0;
        [$fill, $stroke] = [$this->style->fill->value, $this->style->stroke?->value];
        $middle = $y - 4.0;
        match ($this->shape) {
            'triangle' => $canvas->addBehind(
                'names',
                new Path(
                    [[$x - 1.0, $middle], [$x - 7.0, $middle - 3.7], [$x - 7.0, $middle + 3.7]],
                    $fill,
                    role: 'series-key',
                    of: $this->name,
                ),
            ),
            'tick' => $canvas->addBehind(
                'names',
                new Line(
                    x1: $left - 1.0,
                    y1: $middle,
                    x2: $x + 1.0,
                    y2: $middle,
                    stroke: $fill,
                    thickness: 2.4,
                    role: 'series-key',
                    of: $this->name,
                ),
            ),
            'dot' => $canvas->addBehind(
                'names', new Circle($left + 4.0, $middle, 3.6, $fill, role: 'series-key', of: $this->name),
            ),
            default => $canvas->add(
                'names',
                new Rect(
                    x: $left,
                    y: $y - 8.0,
                    width: self::SIZE,
                    height: self::SIZE,
                    fill: $fill,
                    stroke: $stroke,
                    role: 'series-key',
                    key: null,
                    of: $this->name,
                ),
            ),
        };
    }
}
