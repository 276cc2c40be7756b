<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Arrivals;

use KeenMargin\App\Import\Look;
use KeenMargin\App\Storage\Record\SourceRecord;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Series\StoredFigures;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Reading\Rows\ReadFigures;
use KeenMargin\Core\Figures\Reading\Text\NearNames;

/** What keeps an arrival from coming in by itself. */
final readonly class ArrivalChecks
{
    private const MOST_NAMES = 4;

    public function __construct(private ArrivalReader $reader, private SeriesStore $store) {}

    /** @return list<string> what does not hold, as sentences */
    public function failing(SourceRecord $source, Look $look, ReadFigures $read): array
    {
        $notices = array_filter($read->table->dataset()->notices, static fn (Notice $notice): bool => !$notice->holds);
        $new = $this->reader->newColumns($source, $look);

        return [
            ...array_values(array_map(static fn (Notice $notice): string => $notice->says.'.', $notices)),
            ...[] === $new
                ? []
                : [
                    'Seen for the first time: '.
                    (1 === \count($new) ? 'the column ' : 'the columns ').
                    Wording::some(array_map(self::quoted(...), $new), self::MOST_NAMES).
                    '.',
                ],
            ...$this->misspelt($source, $read),
        ];
    }

    /** @return list<string> */
    private function misspelt(SourceRecord $source, ReadFigures $read): array
    {
        $known = (new StoredFigures($source->dataset, $this->store))->dataset();
        $says = [];
        foreach ($read->table->dataset()->breakdowns as $breakdown) {
            $members = $known->maybeBreakdownCalled($breakdown->name)->members ?? [];
            $near = NearNames::of(array_values(array_diff($breakdown->members, $members)), $members);
            foreach (\array_slice($near, 0, self::MOST_NAMES, true) as $name => $like) {
                [$new, $old] = [self::quoted((string) $name), self::quoted($like)];
                $says[] = "{$breakdown->name}: $new may be $old misspelt.";
            }
        }

        return $says;
    }

    private static function quoted(string $name): string
    {
        return "“{$name}”";
    }
}
