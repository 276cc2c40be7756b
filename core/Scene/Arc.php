<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

/**
 * A piece of a ring. Angles are in degrees clockwise from the left end, so that a half ring over its centre goes from 0
 * to 180. Renderers draw it as a polygon whose edges no eye can see.
 */
final readonly class Arc implements Mark
{
    /** Points by which an edge leaves the circle in its middle. */
    private const OFF = 0.04;

    /**
     * @param float $x of the centre, as $y
     * @param float $inner radius, as $outer
     * @param float $from in degrees, as $to, which is not less
     */
    public function __construct(
        public float $x,
        public float $y,
        public float $inner,
        public float $outer,
        public float $from,
        public float $to,
        public string $fill,
        public ?string $stroke = null,
        public string $role = '',
        public ?string $key = null,
        public ?string $of = null,
        public ?Measures $measures = null,
    ) {}

    /** @return non-empty-list<array{float, float}> corners of the polygon */
    public function points(): array
    {
        $edge = 2.0 * rad2deg(acos(1.0 - min(1.0, self::OFF / $this->outer)));
        $steps = max(1, (int) ceil(($this->to - $this->from) / $edge));
        $outer = $inner = [];
        for ($step = 0; $step <= $steps; ++$step) {
            $angle = $this->from + (($this->to - $this->from) * $step) / $steps;
            $outer[] = self::at($this->x, $this->y, $this->outer, $angle);
            $inner[] = self::at($this->x, $this->y, $this->inner, $angle);
        }

        return [...$outer, ...array_reverse($inner)];
    }

    /**
     * A place on a circle.
     *
     * @param float $angle in degrees clockwise from the left
     *
     * @return array{float, float}
     */
    public static function at(float $x, float $y, float $radius, float $angle): array
    {
        $radians = deg2rad($angle);

        return [$x - $radius * cos($radians), $y - $radius * sin($radians)];
    }

    public function path(): Path
    {
        return new Path($this->points(), $this->fill, $this->stroke, role: $this->role, key: $this->key, of: $this->of);
    }

    public function toArray(): array
    {
        return $this->path()->toArray();
    }
}
