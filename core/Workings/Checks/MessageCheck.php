<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Checks;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Finish\Message;
use KeenMargin\Core\Question\Finish\MessageNumber;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Words\RowPhrases;

/** Whether the numbers that a message took from the workings are still theirs, as far as they are written. */
final readonly class MessageCheck
{
    private const GONE = 'not in this chart';

    /** @return list<StaleNumber> */
    public static function stale(Message $message, Workings $workings): array
    {
        return array_values(array_filter(array_map(
            static fn (MessageNumber $number): ?StaleNumber => self::maybeStale($number, $workings),
            $message->kept(),
        )));
    }

    /** What a number that was taken is now; null where it is still the same. */
    public static function maybeStale(MessageNumber $number, Workings $workings): ?StaleNumber
    {
        $row = $workings->table->rowsByKey()[$number->row->id] ?? $workings->table->sums()[$number->row->id] ?? null;
        $column = $workings->table->maybeColumn($number->column);
        if (null === $row || null === $column) {
            return new StaleNumber($number->said, self::GONE, $number->row, $number->column, null);
        }
        $now = self::now($number, $row, $column, $workings);

        return null === $now
            ? null
            : new StaleNumber($number->said, $now, $number->row, $number->column, RowPhrases::exact($column, $row));
    }

    public static function of(Message $message, Workings $workings): Check
    {
        $stale = array_map(
            static fn (StaleNumber $one): string => "says {$one->said}, is now {$one->now}",
            self::stale($message, $workings),
        );

        return new Check(
            'message-is-current',
            [] === $stale,
            [] === $stale ? 'The message says what the numbers say' : 'The message '.Wording::and($stale),
        );
    }

    /** The number as the message would write it now; null where it is still the same. */
    private static function now(MessageNumber $number, Row|Total $of, Column $column, Workings $workings): ?string
    {
        $now = $workings->told($column, $of);
        $then = $workings->written($column, $number->exact);
        if ($now === $then) {
            return null;
        }
        $isUnsigned =
            $number->said === NumberFormat::unsigned($then)
            || (!str_contains($number->said, NumberFormat::MINUS) && !str_starts_with($number->said, '+'));

        return $isUnsigned && self::isNegative($now) === self::isNegative($then) ? NumberFormat::unsigned($now) : $now;
    }

    private static function isNegative(string $written): bool
    {
        return str_starts_with($written, NumberFormat::MINUS);
    }
}
