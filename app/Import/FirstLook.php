<?php

declare(strict_types=1);

namespace KeenMargin\App\Import;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Import\Format\FigureFile;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Series\StoredFigures;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Reading\Guess\JoinedMapping;
use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\MappingReader;
use KeenMargin\Core\Figures\Reading\Mapping\RememberedMapping;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Table\HeaderPosition;
use KeenMargin\Core\Figures\Reading\Table\HeaderSignature;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/** Looks at files: finds the table in them, remembers how their like was read. */
final readonly class FirstLook
{
    /** Sheets of a workbook that are held against what is known. */
    private const SHEETS = 12;
    /** Earlier imports with the same header that are looked at. */
    private const CANDIDATES = 20;

    public function __construct(private EntityManagerInterface $manager, private SeriesStore $store) {}

    /**
     * @param ?string $sheet told; else the one that was read before, else the one with the most numbers
     * @param ?DatasetRecord $target that the figures are to join; else they are to be a dataset of their own
     * @param bool $finds whether a dataset is looked for that a file of this kind went into before
     */
    public function look(
        ReadingFile $file,
        ?string $sheet = null,
        ?HeaderPosition $header = null,
        ?DatasetRecord $target = null,
        bool $finds = false,
    ): Look {
        $opened = FigureFile::open($file->path);
        [$name, $table, $known] = $this->chosen(
            file: $opened, of: $file, named: $sheet, header: $header, target: $target, finds: $finds,
        );
        $guess = RoleGuess::of($table, null, YearHint::ofName($file->plainName()));
        $mapping = null === $known ? $guess : self::remembered($table, $guess, $known->mapping);
        $joined = $target ?? $known?->dataset;

        return new Look(
            file: $file,
            sheets: $opened->sheets(),
            sheetName: $name,
            sheet: $table,
            signature: HeaderSignature::of($table),
            mapping: null === $joined
                ? $mapping
                : JoinedMapping::of($mapping, (new StoredFigures($joined, $this->store))->dataset()),
            known: $known,
        );
    }

    /** How the file is to be read: what is told, over what a look shows. */
    public function mapping(Look $look, ?Given $told): Mapping
    {
        return null === $told ? $look->mapping : MappingReader::read($told, $look->mapping, $look->sheet);
    }

    /**
     * Looks at the next file of a kind that is known, as it comes from a source.
     *
     * @param array<string, mixed> $known how files of its kind are read
     *
     * @throws RefusedFigures
     */
    public function again(ReadingFile $file, array $known, DatasetRecord $target): Look
    {
        $told = Given::kept($known);
        $look = $this->look($file, MappingReader::maybeSheet($told), MappingReader::maybeHeader($told), $target);
        $guess = RoleGuess::of($look->sheet, null, YearHint::ofName($file->plainName()));
        $mapping = self::remembered($look->sheet, $guess, $known);
        $dataset = (new StoredFigures($target, $this->store))->dataset();

        return With::of($look, ['mapping' => JoinedMapping::of($mapping, $dataset)]);
    }

    /** The import that brought the very same bytes, if one did and was not taken back. */
    public function maybeSeen(ReadingFile $file): ?ImportRecord
    {
        return $this->manager
            ->getRepository(ImportRecord::class)
            ->findOneBy(['digest' => $file->digest, 'takenBackAt' => null], ['id' => 'DESC']);
    }

    /** @return array{string, FileTable, ?ImportRecord} name of the sheet, the sheet, the import that it resembles */
    private function chosen(
        FigureFile $file,
        ReadingFile $of,
        ?string $named,
        ?HeaderPosition $header,
        ?DatasetRecord $target,
        bool $finds,
    ): array {
        $best = $named ?? $file->bestSheet();
        $refused = null;
        $names = null === $named ? array_unique([$best, ...\array_slice($file->sheets(), 0, self::SHEETS)]) : [$named];
        foreach ($names as $name) {
            try {
                $sheet = $file->sheet('' === $name ? null : $name, $header);
            } catch (RefusedFigures $e) {
                $refused ??= $e;
                continue;
            }
            $known = match (true) {
                null !== $target => $this->maybeKnown($sheet, $target),
                $finds => $this->maybeAkin($sheet, $of),
                default => null,
            };
            $first ??= [$name, $sheet, $known];
            if (null !== $known) {
                return [$name, $sheet, $known];
            }
        }

        return $first ?? throw $refused ?? new \LogicException('A file without any sheet was opened.');
    }

    private function maybeKnown(FileTable $sheet, DatasetRecord $target): ?ImportRecord
    {
        return $this->manager
            ->getRepository(ImportRecord::class)
            ->findOneBy(
                ['signature' => HeaderSignature::of($sheet), 'takenBackAt' => null, 'dataset' => $target],
                ['id' => 'DESC'],
            );
    }

    /**
     * A header such as Month, Actual is many files': they are of one kind if their names or their members are as well.
     */
    private function maybeAkin(FileTable $sheet, ReadingFile $file): ?ImportRecord
    {
        $alike = $this->manager
            ->getRepository(ImportRecord::class)
            ->findBy(
                ['signature' => HeaderSignature::of($sheet), 'takenBackAt' => null], ['id' => 'DESC'], self::CANDIDATES,
            );
        foreach ($alike as $import) {
            if ($file->isCalledLike($import->name) || $this->sharesMembers($sheet, $import)) {
                return $import;
            }
        }

        return null;
    }

    private function sharesMembers(FileTable $sheet, ImportRecord $import): bool
    {
        foreach ($import->dataset->breakdowns as $breakdown) {
            $place = array_search($breakdown->name, $sheet->header, true);
            if (\is_int($place)) {
                $own = array_unique($sheet->column($place));

                return [] !== $own
                    && 2 * \count(array_intersect($own, $this->store->members()->members((int) $breakdown->id))) >
                        \count($own);
            }
        }

        return false;
    }

    /** @param array<string, mixed> $known how a file of the same kind was read */
    private static function remembered(FileTable $sheet, Mapping $guess, array $known): Mapping
    {
        try {
            $before = MappingReader::read(Given::kept($known), $guess, null);
        } catch (NotAccepted) {
            return $guess;
        }

        return RememberedMapping::onto($sheet, $before, $guess);
    }
}
