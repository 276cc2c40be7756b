<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Scene\TextMeasure;

/** What stands at the foot of each page: whose report, closed through when, made when, which page of how many. */
final readonly class Foot
{
    private const RAISED = 15.0;

    /** @param string $made moment, as it is written; blank: it is not told */
    public function __construct(private string $report, private string $closing, private string $made) {}

    /** @return list<Mark> */
    public function marks(Paper $paper, int $page, int $pages): array
    {
        if (null === $paper->height || $paper->isBare) {
            return [];
        }
        $right = implode(
            ' · ',
            array_filter([
                '' === $this->closing ? '' : "closed through $this->closing",
                '' === $this->made ? '' : "made $this->made",
                "$page / $pages",
            ]),
        );
        $y = $paper->height - self::RAISED;
        $end = $paper->left() + $paper->contentWidth();
        $room = $paper->contentWidth() - TextMeasure::width($right, Type::SMALL) - 16.0;
        $left = TextMeasure::shortened($this->report, max(40.0, $room), Type::SMALL);

        return [self::text($paper->left(), $y, $left, 'start'), self::text($end, $y, $right, 'end')];
    }

    /** @param 'start'|'end' $anchor */
    private static function text(float $x, float $y, string $text, string $anchor): Text
    {
        return new Text(
            x: $x,
            y: $y,
            text: $text,
            size: Type::SMALL,
            fill: Ink::Quiet->value,
            width: TextMeasure::width($text, Type::SMALL),
            anchor: $anchor,
            role: 'foot',
        );
    }
}
