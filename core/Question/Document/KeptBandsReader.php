<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\KeptBands;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;

/** Reads and writes the bands that belong to a measure. */
final class KeptBandsReader
{
    private const MOST = 200;

    /**
     * `[{"limits": ["60", "75"], "names": ["poor", "fair"], "from": "2026-01", "field": "Route", "member": "North"}]`.
     *
     * @return list<KeptBands>
     *
     * @throws NotAccepted
     */
    public static function read(Given $given): array
    {
        $list = $given->list();
        if (\count($list) > self::MOST) {
            throw $given->refuse('two hundred bands at most');
        }

        return array_map(self::one(...), $list);
    }

    /**
     * @param list<KeptBands> $all
     *
     * @return list<array<string, string|list<string>>>
     */
    public static function toArray(array $all): array
    {
        return array_map(
            static fn (KeptBands $one): array => array_filter(
                [
                    'limits' => array_map(static fn (BigDecimal $limit): string => $limit->toString(), $one->limits),
                    'names' => $one->names,
                    'from' => $one->from?->key(),
                    'field' => $one->breakdown,
                    'member' => $one->member,
                ],
                static fn (mixed $value): bool => null !== $value && [] !== $value,
            ),
            $all,
        );
    }

    /** @throws NotAccepted */
    private static function one(Given $given): KeptBands
    {
        $given->object(['limits', 'increments', 'names', 'from', 'field', 'member']);
        $bands = NearReader::bands($given, ['from', 'field', 'member']);
        $field = $given->maybe('field')?->string();
        $member = $given->maybe('member')?->text(500);
        if ((null === $field) !== (null === $member)) {
            throw new NotAccepted($given->path, 'Bands of one member need both its "field" and "member".');
        }

        return new KeptBands($bands->limits, $bands->names, self::maybeFrom($given->maybe('from')), $field, $member);
    }

    /** @throws NotAccepted */
    private static function maybeFrom(?Given $given): ?Period
    {
        if (null === $given) {
            return null;
        }
        try {
            return Period::of($given->string());
        } catch (NotAPeriod) {
            throw $given->refuse('a period such as 2026-01');
        }
    }
}
