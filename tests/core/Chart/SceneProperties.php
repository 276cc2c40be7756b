<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Chart;

use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Scene\Arc;
use KeenMargin\Core\Scene\Box;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Workings\Result\Check;
use PHPUnit\Framework\Assert;

/** What holds for every scene of every kind, and ways to look into one. */
trait SceneProperties
{
    /** Points by which a chart may be higher than it told. */
    private const CLOSE = 0.01;
    /** Points that it may be lower: a word that found no place. */
    private const A_LINE = 13.0;
    private const MOVED_LABELS = 30.0;
    private const SOLID = [
        'value', 'reference', 'variance', 'pin-head', 'gap', 'change', 'used', 'whole', 'value-cut', 'reference-cut',
        'used-cut', 'whole-cut', 'total', 'total-cut',
    ];
    /** What a value may be written into. */
    private const GROUND = [
        'value', 'used', 'whole', 'reference', 'value-cut', 'reference-cut', 'used-cut', 'whole-cut',
    ];

    /** Pages are laid out by what a chart says of its height, before it is drawn. */
    private static function assertAsHighAsMeasured(Drawing $drawing): void
    {
        $chart = $drawing->chart;
        $natural = $chart->height(null);
        foreach ([null, (int) (0.6 * $natural), (int) (1.3 * $natural)] as $height) {
            $drawn = $chart->scene($height, [])->height;
            $measured = $chart->height($height);
            // Labels beside a tube that are in each other's way move down, below its foot at last.
            $more = 'thermometer' === $drawing->workings->context->kind ? self::MOVED_LABELS : self::CLOSE;
            Assert::assertLessThanOrEqual($measured + $more, $drawn, "asked for $height");
            Assert::assertGreaterThanOrEqual($measured - self::A_LINE, $drawn, "asked for $height");
        }
    }

    private static function assertProper(Drawing $drawing): void
    {
        [] === $drawing->chart->options->notes && self::assertAsHighAsMeasured($drawing);
        $canvas = new Box(0, 0, $drawing->scene->width, $drawing->scene->height);
        $texts = self::texts($drawing);
        $solid = array_filter(
            self::marks($drawing),
            static fn (Mark $mark): bool => $mark instanceof Rect && \in_array($mark->role, self::SOLID, true),
        );
        foreach ($texts as $i => $text) {
            Assert::assertGreaterThanOrEqual(10.5, $text->size);
            Assert::assertTrue($text->box()->isWithin($canvas), "\"{$text->text}\" ({$text->role}) leaves the canvas");
            foreach (\array_slice($texts, $i + 1) as $other) {
                Assert::assertFalse(
                    $text->box()->overlaps($other->box()),
                    "\"{$text->text}\" ({$text->role}) and \"{$other->text}\" ({$other->role}) overlap",
                );
            }
            foreach ($solid as $mark) {
                $isOwn =
                    'inside-label' === $text->role
                    && $mark->key === $text->key
                    && \in_array($mark->role, self::GROUND, true);
                Assert::assertFalse(
                    !$isOwn && $text->box()->overlaps(self::box($mark)),
                    "\"{$text->text}\" ({$text->role}) stands on a {$mark->role}",
                );
            }
        }
        foreach (self::marks($drawing) as $mark) {
            if (!$mark instanceof Text) {
                Assert::assertTrue(
                    self::box($mark)->isWithin(new Box(-0.01, -0.01, $canvas->right + 0.01, $canvas->bottom + 0.01)),
                    'A '.self::role($mark).' leaves the canvas',
                );
            }
        }
        $drawn = array_filter(
            $drawing->checks(),
            static fn (Check $check): bool => \in_array($check->id, ['one-scale', 'connectors-join'], true),
        );
        $measured = array_filter(
            self::marks($drawing),
            static fn (Mark $mark): bool => ($mark instanceof Rect || $mark instanceof Line || $mark instanceof Arc)
                && null !== $mark->measures,
        );
        Assert::assertSame([] === $measured, [] === $drawn, 'What is measured is checked');
        foreach ($drawn as $check) {
            Assert::assertTrue($check->holds, $check->says);
        }
        $keys = array_map(static fn ($row): string => $row->key->id, $drawing->workings->table->rows);
        Assert::assertSame($keys, array_values(array_unique($keys)), 'Every row has a key of its own');
    }

    private static function role(Mark $mark): string
    {
        return $mark instanceof Rect || $mark instanceof Line || $mark instanceof Path || $mark instanceof Circle
            ? $mark->role
            : $mark::class;
    }

    private static function box(Mark $mark): Box
    {
        $points = match (true) {
            $mark instanceof Rect => [[$mark->x, $mark->y], [$mark->x + $mark->width, $mark->y + $mark->height]],
            $mark instanceof Line => [[$mark->x1, $mark->y1], [$mark->x2, $mark->y2]],
            $mark instanceof Circle => [
                [$mark->x - $mark->radius, $mark->y - $mark->radius],
                [$mark->x + $mark->radius, $mark->y + $mark->radius],
            ],
            $mark instanceof Path => $mark->points,
            $mark instanceof Arc => $mark->points(),
            default => throw new \LogicException('A mark without a box.'),
        };

        return new Box(
            min(array_column($points, 0)),
            min(array_column($points, 1)),
            max(array_column($points, 0)),
            max(array_column($points, 1)),
        );
    }

    /** @return list<Mark> */
    private static function marks(Drawing $drawing): array
    {
        return iterator_to_array($drawing->scene->marks(), false);
    }

    /** @return list<Text> */
    private static function texts(Drawing $drawing, string $role = ''): array
    {
        return array_values(array_filter(
            self::marks($drawing),
            static fn (Mark $mark): bool => $mark instanceof Text && ('' === $role || $role === $mark->role),
        ));
    }

    /** @return list<string> */
    private static function words(Drawing $drawing, string $role): array
    {
        return array_map(static fn (Text $text): string => $text->text, self::texts($drawing, $role));
    }

    /** @return list<Rect> */
    private static function rects(Drawing $drawing, string $role): array
    {
        return array_values(array_filter(
            self::marks($drawing),
            static fn (Mark $mark): bool => $mark instanceof Rect && $role === $mark->role,
        ));
    }

    /** @return list<Line> */
    private static function lines(Drawing $drawing, string $role): array
    {
        return array_values(array_filter(
            self::marks($drawing),
            static fn (Mark $mark): bool => $mark instanceof Line && $role === $mark->role,
        ));
    }

    /** @return list<Path> */
    private static function paths(Drawing $drawing, string $role): array
    {
        return array_values(array_filter(
            self::marks($drawing),
            static fn (Mark $mark): bool => $mark instanceof Path && $role === $mark->role,
        ));
    }

    /** @return list<Circle> */
    private static function circles(Drawing $drawing, string $role): array
    {
        return array_values(array_filter(
            self::marks($drawing),
            static fn (Mark $mark): bool => $mark instanceof Circle && $role === $mark->role,
        ));
    }
}
