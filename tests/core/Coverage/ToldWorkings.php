<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Coverage;

/** The JSON of workings as short lines, one for each row, sum, check and sentence. */
final class ToldWorkings
{
    /**
     * - rows `Ann: AC 100, BU 120; BU -20`, with `absent` and `only …` after a variance where they are told;
     * - sums `= total 180; BU -80`, checks `+ holds`, `- fails`, sentences `"…"`.
     *
     * @return list<string>
     */
    public static function lines(string $json): array
    {
        $workings = json_decode($json, true, flags: \JSON_THROW_ON_ERROR);
        \assert(
            \is_array($workings)
                && \is_array($workings['rows'])
                && \is_array($workings['checks'])
                && \is_array($workings['reading']),
        );
        $lines = [];
        foreach ($workings['rows'] as $row) {
            \assert(\is_array($row) && \is_string($row['key']));
            $lines[] = "{$row['key']}: ".self::values($row).self::variances($row);
        }
        foreach (['total', 'toDate', 'landing'] as $sum) {
            if (\is_array($workings[$sum])) {
                $lines[] = "= $sum ".self::text($workings[$sum]['shown']).self::variances($workings[$sum]);
            }
        }
        foreach ($workings['checks'] as $check) {
            \assert(\is_array($check) && \is_string($check['says']));
            $lines[] = (true === $check['holds'] ? '+ ' : '- ').$check['says'];
        }

        return [
            ...$lines,
            ...array_map(
                static fn (mixed $said): string => '"'.self::text($said).'"',
                array_values($workings['reading']),
            ),
        ];
    }

    /** @param array<mixed> $row */
    private static function values(array $row): string
    {
        $values = \is_array($row['values'] ?? null)
            ? $row['values']
            : array_intersect_key(
                $row, array_flip(['first', 'second', 'used', 'unused', 'total', 'target', 'rate', 'rateTarget']),
            );
        $told = array_map(
            static fn (string|int $key, mixed $value): string => "$key ".self::text($value),
            array_keys($values),
            $values,
        );

        return implode(', ', $told);
    }

    /** @param array<mixed> $of */
    private static function variances(array $of): string
    {
        $told = '';
        if (\array_key_exists('change', $of)) {
            $told .= '; change '.self::text($of['change']).(\is_string($of['only'] ?? null) ? " {$of['only']}" : '');
            $told .= true === ($of['absent'] ?? false) ? ' absent' : '';
        }
        foreach (\is_array($of['variance'] ?? null) ? $of['variance'] : [] as $reference => $variance) {
            $amount = \is_array($variance) ? $variance['amount'] : null;
            $told .= "; $reference ".self::text($amount);
            $told .=
                \is_array($variance) && \is_string($variance['absent'] ?? null)
                    ? " absent {$variance['absent']}"
                    : '';
            $told .= \is_array($variance) && \is_string($variance['only'] ?? null) ? " {$variance['only']}" : '';
        }

        return $told;
    }

    private static function text(mixed $value): string
    {
        return \is_string($value) ? $value : '–';
    }
}
