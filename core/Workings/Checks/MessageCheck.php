<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Checks;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Message;
use KeenMargin\Core\Question\MessageNumber;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Words\RowPhrases;

/** Whether the numbers that a message took from the workings are still theirs, as far as they are written. */
final readonly class MessageCheck
{
    /**
     * @return list<array{said: string, now: string, row: string, column: string, exact: ?string}> the numbers that are
     *                                                                                             others now
     */
    public static function stale(Message $message, Workings $workings): array
    {
        $rows = array_column($workings->table->rows, null, 'key') + $workings->table->sums();
        $columns = [];
        foreach ($workings->table->columns as $column) {
            $columns[$column->id()] = $column;
        }
        $stale = [];
        foreach ($message->kept() as $number) {
            $now = isset($rows[$number->row], $columns[$number->column])
                ? self::now($number, $rows[$number->row], $columns[$number->column], $workings)
                : 'not in this chart';
            null === $now
                || ($stale[] = [
                    'said' => $number->said,
                    'now' => $now,
                    'row' => $number->row,
                    'column' => $number->column,
                    'exact' => isset($rows[$number->row], $columns[$number->column])
                        ? RowPhrases::exact($columns[$number->column], $rows[$number->row])
                        : null,
                ]);
        }

        return $stale;
    }

    public static function of(Message $message, Workings $workings): Check
    {
        $stale = array_map(
            static fn (array $one): string => "says {$one['said']}, is now {$one['now']}",
            self::stale($message, $workings),
        );

        return new Check(
            'message-is-current',
            [] === $stale,
            [] === $stale ? 'The message says what the numbers say' : 'The message '.Wording::and($stale),
        );
    }

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

        return $isUnsigned && self::isNegative($now) === self::isNegative($then)
            ? NumberFormat::unsigned($now)
            : $now;
    }

    private static function isNegative(string $written): bool
    {
        return str_starts_with($written, NumberFormat::MINUS);
    }
}
