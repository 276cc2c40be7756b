<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

/**
 * A piece of a ring. Angles are in degrees clockwise from the left end, so that a half ring over its centre goes from 0
 * to 180. Renderers draw it as a polygon whose edges no eye can see.
 */
final class Arc implements Mark
{
    /** Points by which an edge leaves the circle in its middle. */
    private const OFF = 0.04;

    /** @var non-empty-list<array{float, float}>|null null: nobody has asked yet */
    private ?array $points = null;

    /**
     * @param float $x of the centre, as $y
     * @param float $inner radius, as $outer
     * @param float $from in degrees, as $to, which is not less
     */
    public function __construct(
        public readonly float $x,
        public readonly float $y,
        public readonly float $inner,
        public readonly float $outer,
        public readonly float $from,
        public readonly float $to,
        public readonly string $fill,
        public readonly ?string $stroke = null,
        public readonly string $role = '',
        public readonly ?string $key = null,
        public readonly ?string $of = null,
        public readonly ?Measures $measures = null,
    ) {
    }

    /** @return non-empty-list<array{float, float}> corners of the polygon */
    public function points(): array
    {
        return $this->points ??= $this->corners();
    }

    /** @return non-empty-list<array{float, float}> */
    private function corners(): array
    {
        $edge = 2.0 * rad2deg(acos(1.0 - min(1.0, self::OFF / $this->outer)));
        $steps = max(1, (int) ceil(($this->to - $this->from) / $edge));
        $outer = $inner = [];
        for ($step = 0; $step <= $steps; ++$step) {
            $radians = deg2rad($this->from + (($this->to - $this->from) * $step) / $steps);
            [$cos, $sin] = [cos($radians), sin($radians)];
            $outer[] = [$this->x - $this->outer * $cos, $this->y - $this->outer * $sin];
            $inner[] = [$this->x - $this->inner * $cos, $this->y - $this->inner * $sin];
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
        return new Path(
            $this->points(),
            $this->fill,
            $this->stroke,
            role: $this->role,
            key: $this->key,
            of: $this->of,
        );
    }

    public function toArray(): array
    {
        return $this->path()->toArray();
    }
}
