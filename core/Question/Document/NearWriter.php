<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Question\Near\Bands;
use KeenMargin\Core\Question\Near\Target;

/** Writes targets and bands as NearReader reads them. */
final class NearWriter
{
    /** @return string|array<string, string>|null */
    public static function target(?Target $target): string|array|null
    {
        return match (true) {
            null === $target => null,
            null !== $target->number => $target->number->toString(),
            null !== $target->scenario => ['scenario' => $target->scenario->value],
            default => ['measure' => (string) $target->measure],
        };
    }

    /** @return array<string, list<string>>|null */
    public static function bands(?Bands $bands): ?array
    {
        if (null === $bands) {
            return null;
        }
        $numbers = array_map(static fn (BigDecimal $number): string => $number->toString(), $bands->numbers);

        return [$bands->form->value => $numbers] + ([] === $bands->names ? [] : ['names' => $bands->names]);
    }
}
