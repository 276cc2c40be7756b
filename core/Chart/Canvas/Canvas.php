<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Canvas;

use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Scene\Arc;
use KeenMargin\Core\Scene\Box;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Group;
use KeenMargin\Core\Scene\Handle;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\MarkBox;
use KeenMargin\Core\Scene\Paging;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Region;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Scene\TextMeasure;

/**
 * Where a kind puts its marks while it lays them out. It knows what is taken, so that no text lands on another or on a
 * mark.
 */
final class Canvas
{
    public const MARGIN = 2.0;
    private const GAP = 2.0;
    private const CELL_HEIGHT = 24.0;
    private const CELL_WIDTH = 64.0;
    private const STEP = 10.0;

    /** @var array<string, list<Mark>> by group, from back to front */
    private array $groups = [];
    /** @var array<int, list<Box>> what is taken, by the cells of the canvas that it touches */
    private array $taken = [];
    private float $bottom = 0.0;
    /** @var array<string, Box> where rows are pointed at, by their keys */
    private array $reaches = [];
    /** @var list<Handle> */
    private array $handles = [];
    private ?Paging $paging = null;
    private ?int $rows = null;

    public function __construct(public readonly float $width) {}

    /** Gives a group its place behind those that follow, before its marks are known. */
    public function reserve(string $group): void
    {
        $this->groups[$group] ??= [];
    }

    public function add(string $group, Mark $mark): void
    {
        $this->groups[$group][] = $mark;
        if ($mark instanceof Rect || $mark instanceof Circle || $mark instanceof Line) {
            $this->take(MarkBox::of($mark));
        }
    }

    /** A mark that text may stand on. */
    public function addBehind(string $group, Mark $mark): void
    {
        $this->groups[$group][] = $mark;
    }

    /**
     * A line of several corners that text must keep off.
     *
     * @param list<array{float, float}> $points
     */
    public function takeAlong(array $points): void
    {
        for ($i = 1, $count = \count($points); $i < $count; ++$i) {
            [[$x1, $y1], [$x2, $y2]] = [$points[$i - 1], $points[$i]];
            $steps = max(1, (int) ceil(max(abs($x2 - $x1), abs($y2 - $y1)) / self::STEP));
            for ($n = 0; $n < $steps; ++$n) {
                [$a, $b] = [
                    [$x1 + (($x2 - $x1) * $n) / $steps, $y1 + (($y2 - $y1) * $n) / $steps],
                    [$x1 + (($x2 - $x1) * ($n + 1)) / $steps, $y1 + (($y2 - $y1) * ($n + 1)) / $steps],
                ];
                $this->take(
                    new Box(min($a[0], $b[0]), min($a[1], $b[1]) - 1.0, max($a[0], $b[0]), max($a[1], $b[1]) + 1.0),
                );
            }
        }
    }

    public function take(Box $box): void
    {
        $from = (int) floor($box->left / self::CELL_WIDTH);
        $to = (int) floor($box->right / self::CELL_WIDTH);
        for (
            $y = (int) floor($box->top / self::CELL_HEIGHT), $last = (int) floor($box->bottom / self::CELL_HEIGHT);
            $y <= $last;
            ++$y
        ) {
            for ($x = $from; $x <= $to; ++$x) {
                $this->taken[($y << 10) + $x][] = $box;
            }
        }
        $this->bottom = max($this->bottom, $box->bottom);
    }

    /**
     * @param 'start'|'middle'|'end' $anchor
     * @param 400|600 $weight
     */
    public static function text(
        float $x,
        float $y,
        string $text,
        string $anchor = 'start',
        Ink $ink = Ink::Ink,
        float $size = Type::LABEL,
        int $weight = 400,
        string $role = 'label',
        ?string $key = null,
        ?string $of = null,
    ): Text {
        return new Text(
            x: $x,
            y: $y,
            text: $text,
            size: $size,
            fill: $ink->value,
            width: TextMeasure::width($text, $size, $weight),
            anchor: $anchor,
            weight: $weight,
            role: $role,
            key: $key,
            of: $of,
        );
    }

    public function write(string $group, Text $text): void
    {
        $this->groups[$group][] = $text;
        $this->take($text->box());
    }

    public function isFree(Text $text): bool
    {
        return $this->hasRoom($text->box());
    }

    public function hasRoom(Box $box): bool
    {
        if ($box->left < self::MARGIN || $box->right > $this->width - self::MARGIN || $box->top < 0) {
            return false;
        }
        $left = $box->left - self::GAP;
        $right = $box->right + self::GAP;
        $from = (int) floor($left / self::CELL_WIDTH);
        $to = (int) floor($right / self::CELL_WIDTH);
        for (
            $y = (int) floor($box->top / self::CELL_HEIGHT), $last = (int) floor($box->bottom / self::CELL_HEIGHT);
            $y <= $last;
            ++$y
        ) {
            for ($x = $from; $x <= $to; ++$x) {
                foreach ($this->taken[($y << 10) + $x] ?? [] as $taken) {
                    if (
                        $taken->left < $right
                        && $left < $taken->right
                        && $taken->top < $box->bottom
                        && $box->top < $taken->bottom
                    ) {
                        return false;
                    }
                }
            }
        }

        return true;
    }

    /** Writes it where nothing is in its way; says whether it did. */
    public function writeIfFree(string $group, Text $text): bool
    {
        $isFree = $this->isFree($text);
        if ($isFree) {
            $this->write($group, $text);
        }

        return $isFree;
    }

    /** Pointing within the box means the row. */
    public function reach(string $key, Box $box): void
    {
        $this->reaches[$key] = $box;
    }

    /** Gives the reader something to move. */
    public function offer(Handle ...$handles): void
    {
        array_push($this->handles, ...array_values($handles));
    }

    /** Says where the chart may be cut into pages. */
    public function mayBreak(Paging $paging): void
    {
        $this->paging = $paging;
    }

    /** Null where it may not. */
    public function maybePaging(): ?Paging
    {
        return $this->paging;
    }

    /** Says that only the first rows of the workings are drawn. */
    public function drawsFirst(int $rows): void
    {
        $this->rows = $rows;
    }

    /** How many rows of the workings are drawn; null: all. */
    public function maybeRows(): ?int
    {
        return $this->rows;
    }

    /** @return list<Handle> */
    public function handles(): array
    {
        return $this->handles;
    }

    /**
     * Where rows are pointed at: those with marks, in the order in which their reaches were given.
     *
     * @param float $x room that a lit row has on its left and right, for its labels
     * @param float $y above and below
     *
     * @return list<Region>
     */
    public function regions(float $x, float $y): array
    {
        $covered = [];
        foreach (array_merge([], ...array_values($this->groups)) as $mark) {
            $isShape =
                $mark instanceof Rect
                || $mark instanceof Circle
                || $mark instanceof Line
                || $mark instanceof Path
                || $mark instanceof Arc;
            if ($isShape && isset($this->reaches[$mark->key ?? '']) && 'highlight' !== $mark->role) {
                $box = MarkBox::of($mark);
                $covered[$mark->key] = isset($covered[$mark->key]) ? $covered[$mark->key]->with($box) : $box;
            }
        }
        $regions = [];
        foreach (array_intersect_key($this->reaches, $covered) as $key => $reach) {
            $box = $covered[$key];
            $lit = new Box($box->left - $x, $box->top - $y, $box->right + $x, $box->bottom + $y);
            $regions[] = new Region((string) $key, $reach, $lit);
        }

        return $regions;
    }

    /**
     * What a mark of a row covers.
     *
     * @param list<string> $roles of which the first that the row has is taken; else any mark of it
     */
    public function maybeBox(string $key, array $roles): ?Box
    {
        $boxes = [];
        foreach ($this->groups as $marks) {
            foreach ($marks as $mark) {
                if (
                    ($mark instanceof Rect || $mark instanceof Circle || $mark instanceof Line || $mark instanceof Text)
                    && $mark->key === $key
                    && 'highlight' !== $mark->role
                ) {
                    $boxes[$mark->role] ??= MarkBox::of($mark);
                }
            }
        }
        foreach ($roles as $role) {
            if (isset($boxes[$role])) {
                return $boxes[$role];
            }
        }

        return array_values($boxes)[0] ?? null;
    }

    public function bottom(): float
    {
        return $this->bottom;
    }

    /** @return list<Group> */
    public function groups(): array
    {
        $groups = array_filter($this->groups, static fn (array $marks): bool => [] !== $marks);

        return array_map(
            static fn (array $marks, string $role): Group => new Group($marks, $role),
            $groups,
            array_keys($groups),
        );
    }
}
