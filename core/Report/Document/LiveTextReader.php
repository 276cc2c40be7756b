<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\PlainText;
use KeenMargin\Core\Question\Document\Entries;
use KeenMargin\Core\Question\Document\RowKeyReader;
use KeenMargin\Core\Report\Text\LiveNumber;
use KeenMargin\Core\Report\Text\LiveText;

/**
 * Reads and writes texts with numbers in them: `"plain"`, or a list of texts and numbers
 * `{"said": "48", "of": "b-3", "row": …, "column": "variance:BU", "exact": "48000", "follows": true}`. A number of the
 * row of the closing period says `"closing": true` in place of its row.
 */
final class LiveTextReader
{
    public const MESSAGE = 600;
    public const TEXT = 8000;
    private const MOST_PARTS = 400;

    /** @throws NotAccepted */
    public static function read(?Given $given, int $longest): LiveText
    {
        if (null === $given) {
            return new LiveText();
        }
        $list = $given->isList() ? $given->list() : [$given];
        if (\count($list) > self::MOST_PARTS) {
            throw new NotAccepted($given->path, 'There are more numbers in this text than it can hold.');
        }
        $parts = [];
        foreach ($list as $part) {
            $read = $part->isObject() ? self::number($part) : $part->piece($longest);
            '' === $read || ($parts[] = $read);
        }
        $text = new LiveText($parts);
        if (mb_strlen($text->said()) > $longest) {
            throw new NotAccepted($given->path, "This text is longer than $longest letters.");
        }

        return $text;
    }

    /** @return string|list<string|array<string, mixed>>|null null: there is none */
    public static function toJson(LiveText $text): string|array|null
    {
        if ([] === $text->numbers()) {
            return '' === $text->said() ? null : $text->said();
        }

        return array_map(
            static fn (string|LiveNumber $part): string|array => $part instanceof LiveNumber
                ? self::numberToArray($part)
                : $part,
            $text->parts,
        );
    }

    /** @throws NotAccepted */
    private static function number(Given $given): LiveNumber
    {
        $given->object(['said', 'of', 'row', 'closing', 'column', 'exact', 'follows']);
        $isClosing = true === $given->maybe('closing')?->bool();

        return new LiveNumber(
            said: PlainText::of($given->must('said')->string(60)),
            of: $given->must('of')->string(40),
            row: $isClosing ? null : RowKeyReader::read($given->must('row'), false),
            column: $given->must('column')->string(300),
            exact: $given->must('exact')->number(),
            follows: $given->maybe('follows')?->bool() ?? true,
        );
    }

    /** @return array<string, mixed> */
    private static function numberToArray(LiveNumber $number): array
    {
        return Entries::present([
            'said' => $number->said,
            'of' => $number->of,
            'row' => $number->row?->toJson(),
            'closing' => null === $number->row ? true : null,
            'column' => $number->column,
            'exact' => $number->exact->toString(),
            'follows' => $number->follows,
        ]);
    }
}
