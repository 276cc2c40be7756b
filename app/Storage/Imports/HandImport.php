<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Imports;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\Core\Figures\Keeping\AmountChange;
use KeenMargin\Core\Figures\Keeping\Run;

/**
 * The import that changes by hand belong to: one for a person's day of work, until a file comes in.
 *
 * Where somebody changes an amount anew that another person changed in between, the change gets a part of its own: an
 * import is taken back by what it found before, and one that was there both before and after another could not say
 * that. Parts belong to the first one, are listed as one, and are taken back together.
 */
final readonly class HandImport
{
    public const MODE = 'by hand';

    public function __construct(private EntityManagerInterface $manager, private SeriesStore $store) {}

    /** @param array<int, list<AmountChange>> $changes by series, that are to be done */
    public function of(DatasetRecord $record, string $who, array $changes): ImportRecord
    {
        $latest = $this->maybeLatest($record, $who);
        if (null !== $latest && !$this->wasOvertaken((int) $latest->id, (int) $record->id, $changes)) {
            return $latest;
        }
        $import = new ImportRecord(
            dataset: $record, name: 'By hand', digest: '', rowCount: 0, factCount: 0, mapping: [], mode: self::MODE,
        );
        $import->who = $who;
        $import->partOf = $latest->partOf ?? $latest?->id;
        $import->counts = ['added' => 0, 'replaced' => 0, 'unchanged' => 0, 'removed' => 0];
        $this->manager->persist($import);
        $this->manager->flush();

        return $import;
    }

    /** The person's own of today, with no file after it. */
    private function maybeLatest(DatasetRecord $record, string $who): ?ImportRecord
    {
        $file = $this->store->number(
            'SELECT COALESCE(MAX(id), 0) FROM import WHERE dataset_id = '.
                (int) $record->id.
                " AND mode <> '".
                self::MODE.
                "'",
        );
        $sql =
            'SELECT id FROM import WHERE dataset_id = ? AND mode = ? AND who = ? AND taken_back_at IS NULL AND id > '.
            '? ORDER BY id DESC LIMIT 1';
        $id = $this->store->connection->fetchOne($sql, [$record->id, self::MODE, $who, $file]);
        $latest = \is_int($id) ? $this->manager->find(ImportRecord::class, $id) : null;

        return null !== $latest && $latest->at->format('Y-m-d') === date('Y-m-d') ? $latest : null;
    }

    /**
     * Whether a later import has had a hand in one of the amounts.
     *
     * @param array<int, list<AmountChange>> $changes
     */
    private function wasOvertaken(int $import, int $dataset, array $changes): bool
    {
        if ($import === $this->store->number("SELECT MAX(id) FROM import WHERE dataset_id = $dataset")) {
            return false;
        }
        foreach ($changes as $series => $cells) {
            $later = array_filter(
                $this->store->runs()->logs($series),
                static fn (int $other): bool => $other > $import,
                \ARRAY_FILTER_USE_KEY,
            );
            foreach ($cells as $cell) {
                $wasFound = [] !== array_filter($later, static fn (Run $log): bool => $log->has($cell->start));
                if ($wasFound || $cell->wasImport > $import) {
                    return true;
                }
            }
        }

        return false;
    }
}
