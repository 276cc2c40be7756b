<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

use KeenMargin\Core\Scene\Box;
use KeenMargin\Core\Scene\Group;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\MarkBox;
use KeenMargin\Core\Scene\Text;

/**
 * Makes shapes of the marks of a scene: those of each row in a group of its own, what belongs to no row behind or
 * before all rows, as it was painted.
 */
final class SceneShapes
{
    /** @var list<Node> */
    private array $behind = [];
    /** @var array<string, non-empty-list<SlideShape>> by the keys of rows */
    private array $ofRows = [];
    /** @var list<Node> */
    private array $before = [];
    /** @var list<Box> where marks of rows were painted so far */
    private array $painted = [];

    /**
     * @param iterable<Mark> $marks from back to front
     * @param array<string, RowName> $names by the keys of rows
     *
     * @return list<Node> from back to front
     */
    public static function of(iterable $marks, MarkShapes $shapes, array $names): array
    {
        $own = new self();
        $texts = [];
        foreach ($marks as $mark) {
            if ($mark instanceof Text && ([] === $texts || MarkShapes::goesOn($texts[\count($texts) - 1], $mark))) {
                $texts[] = $mark;
                continue;
            }
            $own->takeTexts($texts, $shapes);
            $texts = [];
            if ($mark instanceof Text) {
                $texts[] = $mark;
            } else {
                $own->take($mark, self::rowOf($mark), $shapes->shape($mark));
            }
        }
        $own->takeTexts($texts, $shapes);
        $rows = [];
        foreach ($own->ofRows as $key => $some) {
            $rows[] = self::row((string) $key, $some, $names[$key] ?? null);
        }

        return [...$own->behind, ...$rows, ...$own->before];
    }

    /** @param list<Text> $texts */
    private function takeTexts(array $texts, MarkShapes $shapes): void
    {
        if ([] !== $texts) {
            $this->take($texts[0], $texts[0]->key, $shapes->joined($texts));
        }
    }

    private function take(Mark $mark, ?string $row, SlideShape $shape): void
    {
        $box = MarkBox::of($mark);
        if (null !== $row) {
            $this->ofRows[$row][] = $shape;
            $mark instanceof Text || ($this->painted[] = $box);
        } elseif ($mark instanceof Text ? [] !== $this->painted : $this->covers($box)) {
            $this->before[] = $shape;
        } else {
            $this->behind[] = $shape;
        }
    }

    /** Key of the row that a mark belongs to; null: to none. */
    public static function rowOf(Mark $mark): ?string
    {
        return $mark instanceof Group ? null : $mark->key ?? null;
    }

    /** Whether it was painted over a mark of a row. */
    private function covers(Box $box): bool
    {
        foreach ($this->painted as $painted) {
            if ($painted->overlaps($box)) {
                return true;
            }
        }

        return false;
    }

    /** @param non-empty-list<SlideShape> $shapes */
    private static function row(string $key, array $shapes, ?RowName $name): ShapeGroup
    {
        $texts = array_filter(array_map(static fn (SlideShape $one): string => $one->text?->text() ?? '', $shapes));
        $said = implode(' ', $texts);

        return new ShapeGroup(Tag::short("row|$key"), $name->brief ?? $said, $name->whole ?? $said, $shapes);
    }
}
