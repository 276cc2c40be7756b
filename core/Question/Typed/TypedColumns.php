<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Typed;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Question\Document\TableReader;
use KeenMargin\Core\Question\Table\TableColumn;

/** Columns of a table as people type them: `AC, BU, ΔBU, ΔBU %, trend`; a D stands for the Δ that is hard to type. */
final class TypedColumns
{
    /**
     * @return array<string, mixed>
     *
     * @throws NotAccepted
     */
    public static function columns(string $text): array
    {
        if (\in_array(TypedNames::plain($text), ['as usual', 'the usual', 'usual'], true)) {
            return ['columns' => null];
        }
        $columns = [];
        foreach (preg_split('/\s*(?:,|;|\band\b)\s*/iu', trim($text, ' .'), -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $part) {
            $column =
                TableColumn::maybe(self::name($part)) ??
                throw new NotAccepted(
                    'text', "\"$part\" is no column. Write them like AC, BU, ΔBU, ΔBU %, share, progress, trend.",
                );
            $columns[$column->name()] = $column;
        }

        return ['columns' => TableReader::toArray(array_values($columns)) ?: null];
    }

    /** `d bu%` is meant as `ΔBU %`. */
    private static function name(string $part): string
    {
        $plain = TypedNames::plain($part);
        if (1 === preg_match('/^(?<delta>[dδ] ?)?(?<code>[a-z]{2}) ?(?<percent>%)?$/u', $plain, $match)) {
            $delta = '' === $match['delta'] ? '' : "\u{0394}";

            return $delta.strtoupper($match['code']).(isset($match['percent']) ? ' %' : '');
        }

        return $plain;
    }
}
