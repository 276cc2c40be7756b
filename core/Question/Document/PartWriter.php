<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use KeenMargin\Core\Question\Part\Between;
use KeenMargin\Core\Time\Span;
use KeenMargin\Core\Time\SpanKind;

/** Writes the parts of a question that PartReader reads. */
final class PartWriter
{
    /** @return array<string, int|string>|string|null */
    public static function span(Span $span): array|string|null
    {
        return match ($span->kind) {
            SpanKind::All => null,
            SpanKind::Between => ['from' => (string) $span->from?->key(), 'to' => (string) $span->to?->key()],
            SpanKind::Last, SpanKind::Previous => [
                $span->kind->value => $span->count,
                'unit' => (string) $span->unit?->value,
            ],
            SpanKind::YearToDate, SpanKind::RestOfYear => $span->kind->value,
        };
    }

    /** @return array<string, string> */
    public static function between(Between $between): array
    {
        return ['field' => $between->field, 'first' => $between->first, 'second' => $between->second];
    }
}
