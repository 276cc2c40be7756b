<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report;

use KeenMargin\Core\Question\Finish\Message;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Text\LiveText;

/** A chart by itself, laid out as a page. */
final class ChartPage
{
    /** Ids of the page and of its row. */
    private const PAGE = 'page';
    private const ROW = 'row';

    /**
     * @param string $title what the chart is called: it stands at the head where there is no message
     * @param ?Message $message of the chart; null: it has none
     */
    public static function report(
        ChartBlock $chart,
        string $title,
        ?Message $message,
        string $organisation = '',
    ): Report {
        $text = null === $message || '' === $message->text ? new LiveText() : new LiveText([$message->text]);
        $page = new Page(self::PAGE, $title, $text, rows: [new PageRow(self::ROW, [$chart])]);

        return new Report($title, Sheet::Wide, organisation: $organisation, pages: [$page]);
    }
}
