<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use KeenMargin\App\Storage\Changes\Change;
use KeenMargin\App\Storage\Changes\TableRowChange;
use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\MeasureRecord;
use KeenMargin\App\Storage\Series\MeasureScale;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\OverMembers;
use KeenMargin\Core\Question\Document\KeptBandsReader;
use KeenMargin\Core\Question\Names\NameMap;
use KeenMargin\Core\Question\Names\RecipeNames;

/** Plans a change of a measure, or a new one that is made of two others. */
final readonly class MeasureSettings
{
    private const KEYS = [
        'name', 'unit', 'decimals', 'grouping', 'overMembers', 'better', 'numerator', 'denominator', 'bands',
    ];

    public function __construct(
        private SeriesStore $store,
        private ChartsOf $charts,
        private KeptDocuments $documents,
    ) {}

    public function plan(DatasetRecord $record, MeasureRecord $measure, Given $given): Plan
    {
        $given->object(self::KEYS);
        $name = trim($given->maybe('name')?->string() ?? $measure->name);
        $this->unused($record, $name, $measure);
        $was = self::columns($measure);
        $grouping = $given->maybe('grouping')?->enum(Grouping::class)->value ?? $measure->grouping;
        [$numerator, $denominator] = $this->parts($record, $given, $grouping, $measure);
        $numbers = $this->documents->numbersOf((int) $record->id);
        $overMembers = self::overMembers($given->maybe('overMembers'), $grouping, $measure);
        $is = [
            'name' => $name,
            'unit' => trim($given->maybe('unit')?->text(20) ?? $measure->unit),
            'grouping' => $grouping,
            'over_members' => $overMembers,
            'better' => self::better($given, $measure->better),
            'numerator' => null === $numerator ? null : $numbers->measure($numerator),
            'denominator' => null === $denominator ? null : $numbers->measure($denominator),
            'former' => $was['former'],
            'bands' => self::bands($given->maybe('bands'), $was['bands'], $numbers),
        ];
        $rows = [];
        if ($name !== $measure->name) {
            $is['former'] = json_encode(
                array_values(array_unique([...$measure->former, $measure->name])),
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
            );
        }
        $rows[] = TableRowChange::maybe('measure', (int) $measure->id, $was, $is);
        $decimals = $given->maybe('decimals')?->int(0, 10) ?? $measure->scale;
        if (
            $decimals < $measure->scale
            && !(new MeasureScale($this->store))->canLower(
                (int) $record->id, (int) $measure->id, $measure->scale - $decimals,
            )
        ) {
            throw new NotAccepted(
                'decimals',
                "Some amounts of $measure->name have more than ".
                    Wording::count($decimals, 'decimal', 'decimals').
                    '. Round them in the file first, or keep the decimals.',
            );
        }
        if ($decimals !== $measure->scale) {
            $rows[] = new TableRowChange(
                'measure', (int) $measure->id, ['scale' => $measure->scale], ['scale' => $decimals],
            );
        }
        $regroups =
            $grouping !== $measure->grouping
            || $overMembers !== $measure->overMembers
            || $is['numerator'] !== $measure->numerator
            || $is['denominator'] !== $measure->denominator;
        $follows = $regroups
            ? $this->charts->say($record, self::about($record, $measure), 'will show other totals')
            : [];
        if (
            $overMembers !== $measure->overMembers
            && OverMembers::Sum->value !== $overMembers
            && self::hasSummedRows($record)
        ) {
            $follows[] =
                'Rows that shared a key were added up when they came in. Bring the file in again, so that each of '.
                'them counts once.';
        }
        $turned = new Measure($measure->name, better: null === $is['better'] ? null : Better::from($is['better']));
        $turns =
            $turned->better() !== $measure->measure()->better()
                ? $this->charts->say(
                    $record,
                    static fn (array $question): bool => self::about($record, $measure)($question)
                        && !isset($question['better']),
                    'will turn its colours',
                )
                : [];

        return new Plan(
            new Change(
                $name !== $measure->name ? "“{$measure->name}” is named “{$name}”" : "How $name is counted",
                array_values(array_filter($rows)),
            ),
            [...$follows, ...$turns],
            $regroups || [] !== $turns,
        );
    }

    public function planNew(DatasetRecord $record, Given $given): Plan
    {
        $given->object(self::KEYS);
        $name = trim($given->must('name')->string());
        $this->unused($record, $name, null);
        [$numerator, $denominator] = $this->parts($record, $given, Grouping::Ratio->value, null);
        $id = $this->store->nextId('measure');
        $numbers = $this->documents->numbersOf((int) $record->id);

        return new Plan(
            new Change("“{$name}” is $numerator over $denominator", [
                new TableRowChange('measure', $id, null, [
                    'dataset_id' => (int) $record->id,
                    'position' => $record->measures->count(),
                    'name' => $name,
                    'unit' => '%',
                    'scale' => 0,
                    'grouping' => Grouping::Ratio->value,
                    'better' => self::better($given, null),
                    'numerator' => $numbers->measure((string) $numerator),
                    'denominator' => $numbers->measure((string) $denominator),
                ]),
            ]),
        );
    }

    /** @return array{
     *     name: string, unit: string, grouping: string, over_members: string, better: ?string, numerator: ?string,
     *     denominator: ?string, former: string, bands: string,
     * }
     */
    private static function columns(MeasureRecord $measure): array
    {
        return [
            'name' => $measure->name,
            'unit' => $measure->unit,
            'grouping' => $measure->grouping,
            'over_members' => $measure->overMembers,
            'better' => $measure->better,
            'numerator' => $measure->numerator,
            'denominator' => $measure->denominator,
            'former' => json_encode($measure->former, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
            'bands' => json_encode($measure->bands, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
        ];
    }

    private static function bands(?Given $given, string $else, NameMap $numbers): string
    {
        return null === $given
            ? $else
            : json_encode(
                array_map(
                    static fn (array $bands): array => RecipeNames::bands($bands, $numbers),
                    KeptBandsReader::toArray(KeptBandsReader::read($given)),
                ),
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
            );
    }

    /** Of a ratio and a rate their grouping says it. */
    private static function overMembers(?Given $given, string $grouping, MeasureRecord $measure): string
    {
        $overMembers = $given?->enum(OverMembers::class)->value ?? $measure->overMembers;
        $isWhole = \in_array($grouping, [Grouping::Ratio->value, Grouping::Rate->value], true);
        if ($isWhole && null !== $given) {
            throw $given->refuse("it left out, as a $grouping has one rule for periods and members");
        }

        return $isWhole ? OverMembers::Sum->value : $overMembers;
    }

    private static function hasSummedRows(DatasetRecord $record): bool
    {
        return [] !==
            array_filter($record->notices, static fn (array $notice): bool => 'summed-rows' === $notice['id']);
    }

    private static function better(Given $given, ?string $else): ?string
    {
        $told =
            $given
                ->maybe('better')
                ?->oneOf(['', ...array_map(static fn (Better $better): string => $better->value, Better::cases())]) ??
            $else;

        return '' === $told ? null : $told;
    }

    private function unused(DatasetRecord $record, string $name, ?MeasureRecord $besides): void
    {
        foreach ($record->measures as $measure) {
            if ($measure !== $besides && $measure->name === $name) {
                throw new NotAccepted('name', "There is a measure \"$name\" already. Give another name.");
            }
        }
    }

    /** @return array{?string, ?string} */
    private function parts(DatasetRecord $record, Given $given, string $grouping, ?MeasureRecord $measure): array
    {
        $isRatio = Grouping::Ratio->value === $grouping;
        if (!$isRatio) {
            if (
                null !== $measure
                && Grouping::Ratio->value === $measure->grouping
                && !$this->store->hasSeriesOf((int) $measure->id)
            ) {
                throw new NotAccepted(
                    'grouping', "{$measure->name} has no amounts of its own; it can only be a ratio.",
                );
            }

            return [null, null];
        }
        $others = [];
        foreach ($record->measures as $other) {
            if ($other !== $measure && !$other->measure()->isRatio()) {
                $others[] = $other->name;
            }
        }
        if (\count($others) < 2) {
            throw new NotAccepted('grouping', 'A ratio is made of two other measures, and there are not two.');
        }
        $numerator =
            $given->maybe('numerator')?->oneOf($others)
            ?? $measure?->partName($measure->numerator)
            ?? throw new NotAccepted('numerator', 'Say which measure is the numerator.');
        $denominator =
            $given->maybe('denominator')?->oneOf($others)
            ?? $measure?->partName($measure->denominator)
            ?? throw new NotAccepted('denominator', 'Say which measure is the denominator.');

        return [$numerator, $denominator];
    }

    /** @return callable(array<mixed>): bool */
    private static function about(DatasetRecord $record, MeasureRecord $measure): callable
    {
        return static fn (
            array $question,
        ): bool => ($question['measure'] ?? $record->measures[0]?->name) === $measure->name;
    }
}
