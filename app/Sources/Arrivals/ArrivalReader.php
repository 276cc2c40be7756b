<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Arrivals;

use KeenMargin\App\Import\FirstLook;
use KeenMargin\App\Import\Look;
use KeenMargin\App\Import\ReadingFile;
use KeenMargin\App\Import\ReadingShelf;
use KeenMargin\App\Sources\Kind\Fetched;
use KeenMargin\App\Storage\Files\KeptFiles;
use KeenMargin\App\Storage\Imports\ImportSource;
use KeenMargin\App\Storage\Record\ArrivalRecord;
use KeenMargin\App\Storage\Record\SourceRecord;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Rows\FactReader;
use KeenMargin\Core\Figures\Reading\Rows\ReadFigures;
use KeenMargin\Core\Figures\Reading\Text\PeriodReader;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/** Reads what sources bring, each the way that its source says. */
final readonly class ArrivalReader
{
    public function __construct(private FirstLook $firstLook, private ReadingShelf $shelf, private KeptFiles $files) {}

    /** @throws RefusedFigures where it has other columns than it is read by, or is no table */
    public function look(SourceRecord $source, Fetched $fetched): Look
    {
        $file = ReadingFile::at($fetched->path, $fetched->name);
        $look = $this->firstLook->again($file, $source->mapping + $fetched->mapping, $source->dataset);
        $gone = array_diff(self::wanted($source), $look->sheet->header);
        if ([] !== $gone) {
            throw RefusedFigures::whole(
                'Its columns are others than before: '.
                    implode(', ', array_map(static fn (string $name): string => "“{$name}”", $gone)).
                    (1 === \count($gone) ? ' is' : ' are').' gone. Look at the source, and say how it is read now.',
            );
        }

        return $look;
    }

    /** @return list<string> columns that were not there when somebody said how the source is read */
    public function newColumns(SourceRecord $source, Look $look): array
    {
        $known = \is_array($source->mapping['columns'] ?? null) ? $source->mapping['columns'] : [];

        return array_values(array_filter(
            $look->sheet->header,
            static fn (string $name): bool => [] !== $known && !isset($known[$name]) && !self::isPeriod($name),
        ));
    }

    /** @throws RefusedFigures */
    public function read(Look $look): ReadFigures
    {
        return FactReader::figures($look->sheet, $look->mapping, '');
    }

    /** Figures that wait need not be read again to be looked at. */
    public function remember(ArrivalRecord $arrival, ReadFigures $read): void
    {
        $this->shelf->remember(self::shelf($arrival->digest), self::key($arrival->mapping), $read);
    }

    /**
     * The figures of an arrival that waits.
     *
     * @throws RefusedFigures
     */
    public function again(ArrivalRecord $arrival): ReadFigures
    {
        $known = $this->shelf->maybeRead(self::shelf($arrival->digest), self::key($arrival->mapping));
        if (null === $known) {
            $known = $this->read($this->lookAgain($arrival));
            $this->remember($arrival, $known);
        }

        return $known;
    }

    /** Where the import of an arrival comes from. */
    public function source(ArrivalRecord $arrival): ImportSource
    {
        return new ImportSource(
            name: $arrival->name,
            digest: $arrival->digest,
            mapping: $arrival->mapping,
            signature: $arrival->signature,
            path: $this->path($arrival),
            who: $arrival->source->name,
        );
    }

    private function lookAgain(ArrivalRecord $arrival): Look
    {
        $file = new ReadingFile('', $arrival->name, $this->path($arrival), $arrival->digest);

        return $this->firstLook->again($file, $arrival->mapping, $arrival->source->dataset);
    }

    private function path(ArrivalRecord $arrival): string
    {
        return $this->files->maybePath((string) $arrival->keptFile) ??
            throw RefusedFigures::whole('What came is not kept any more. Fetch it again.');
    }

    /** @return list<string> columns that a source is read by, other than those of single periods */
    private static function wanted(SourceRecord $source): array
    {
        $columns = \is_array($source->mapping['columns'] ?? null) ? $source->mapping['columns'] : [];
        $wanted = [];
        foreach ($columns as $name => $role) {
            $told = \is_array($role) ? $role : ['role' => $role];
            $isWanted = Role::Ignore->value !== ($told['role'] ?? null) && !isset($told['period']);
            if ($isWanted && !self::isPeriod((string) $name)) {
                $wanted[] = (string) $name;
            }
        }

        return $wanted;
    }

    private static function isPeriod(string $name): bool
    {
        return null !== (new PeriodReader())->maybe($name) || PeriodReader::lacksYear($name);
    }

    /** Figures that were read lie on the shelf for a day, by the digest of their file. */
    private static function shelf(string $digest): string
    {
        return substr(hash('sha256', "arrival $digest"), 0, 24);
    }

    /** @param array<string, mixed> $mapping */
    private static function key(array $mapping): string
    {
        return json_encode($mapping, \JSON_THROW_ON_ERROR);
    }
}
