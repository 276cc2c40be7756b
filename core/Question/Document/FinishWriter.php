<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Question\Message;
use KeenMargin\Core\Question\MessageNumber;
use KeenMargin\Core\Question\RowKey;

/** Writes a finish as FinishReader reads it. */
final class FinishWriter
{
    /** @return array<string, mixed> */
    public static function toArray(Finish $finish): array
    {
        $default = new Finish();

        return Entries::present([
            'unit' => $finish->unit?->value,
            'decimals' => $finish->decimals,
            'labels' => $finish->labels === $default->labels ? null : $finish->labels->value,
            'width' => $finish->width === $default->width ? null : $finish->width,
            'locale' => $finish->locale === $default->locale ? null : $finish->locale,
            'variance' => $finish->variance?->value,
            'sameLength' => $finish->sameLength ? null : false,
            'gap' => $finish->gap ?: null,
            'mark' => $finish->mark === $default->mark ? null : $finish->mark->value,
            'limit' => $finish->limit?->toString(),
            'turn' => $finish->turn ?: null,
            'cut' => $finish->cut ? null : false,
            'highlight' => array_map(static fn (RowKey $row): string|array => $row->toJson(), $finish->highlight),
            'height' => $finish->height,
            'colours' => $finish->colours === $default->colours ? null : $finish->colours->value,
            'title' => $finish->title->told(),
            'message' => null === $finish->message ? null : self::message($finish->message),
            'footnote' => $finish->footnote,
            'notes' => $finish->notes ? null : false,
            'named' => $finish->named,
            'labelsAt' => $finish->labelsAt === $default->labelsAt ? null : $finish->labelsAt->value,
            'steps' => $finish->steps?->value,
            'stepLabels' => $finish->stepLabels === $default->stepLabels ? null : $finish->stepLabels->value,
            'dots' => $finish->dots ?: null,
            'ends' => Entries::present([
                'from' => $finish->ends->from?->toString(),
                'to' => $finish->ends->to?->toString(),
            ]),
            'scale' => $finish->scale === $default->scale ? null : $finish->scale->value,
        ]);
    }

    /** @return array<string, mixed> */
    private static function message(Message $message): array
    {
        return Entries::present([
            'text' => $message->text,
            'numbers' => array_map(
                static fn (MessageNumber $number): array => [
                    'said' => $number->said,
                    'row' => $number->row->toJson(),
                    'column' => $number->column,
                    'exact' => $number->exact->toString(),
                ],
                $message->numbers,
            ),
        ]);
    }
}
