<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Near\BandForm;
use KeenMargin\Core\Question\Near\Bands;
use KeenMargin\Core\Question\Near\BandsDoNotRise;
use KeenMargin\Core\Question\Near\Target;

/** Reads what a value is to reach, and the bands that it may fall in. */
final class NearReader
{
    public const KEYS = ['target', 'bands'];

    /**
     * `"90"`, `{"scenario": "TG"}`, `{"measure": "Target"}`.
     *
     * @throws NotAccepted
     */
    public static function maybeTarget(?Given $given): ?Target
    {
        if (null === $given) {
            return null;
        }
        if (!$given->isObject()) {
            return Target::number($given->number());
        }
        $given->object(['scenario', 'measure']);
        $scenario = $given->maybe('scenario');

        return null === $scenario
            ? Target::measure($given->must('measure')->string())
            : Target::scenario($scenario->enum(Scenario::class));
    }

    /**
     * `{"limits": ["60", "75", "90"], "names": ["poor", "fair", "good"]}`, or `increments`, or `percentOfTarget`.
     *
     * @throws NotAccepted
     */
    public static function maybeBands(?Given $given): ?Bands
    {
        return null === $given ? null : self::bands($given);
    }

    /**
     * @param list<string> $besides other keys that the object may have
     *
     * @throws NotAccepted
     */
    public static function bands(Given $given, array $besides = []): Bands
    {
        $forms = array_column(BandForm::cases(), 'value');
        $given->object([...$forms, 'names', ...$besides]);
        $told = array_values(array_filter($forms, static fn (string $form): bool => null !== $given->maybe($form)));
        if (1 !== \count($told)) {
            throw new NotAccepted($given->path, 'Bands need one of "'.implode('", "', $forms).'".');
        }
        $list = $given->must($told[0]);
        $numbers = array_map(static fn (Given $one): BigDecimal => $one->number(), $list->list(1));
        $names = array_map(static fn (Given $one): string => $one->text(60), $given->maybe('names')?->list() ?? []);
        self::refuseCounts($given, \count($numbers), \count($names));
        if ([] === $numbers) {
            throw $list->refuse('a list of numbers');
        }
        try {
            return new Bands(BandForm::from($told[0]), $numbers, $names);
        } catch (BandsDoNotRise $fault) {
            throw new NotAccepted("{$list->path}.{$fault->place}", $fault->getMessage());
        }
    }

    /** @throws NotAccepted */
    private static function refuseCounts(Given $given, int $numbers, int $names): void
    {
        if (0 !== $names && $names !== $numbers && $names !== $numbers + 1) {
            throw new NotAccepted(
                "{$given->path}.names",
                "There are $numbers numbers and $names names; give as many names as numbers, or one more: then the ".
                    'last band is open above.',
            );
        }
        $bands = max($numbers, $names);
        if ($bands < Bands::LEAST || $bands > Bands::MOST) {
            throw new NotAccepted($given->path, 'There are two to five bands.');
        }
    }
}
