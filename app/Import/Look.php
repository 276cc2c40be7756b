<?php

declare(strict_types=1);

namespace KeenMargin\App\Import;

use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Table\FileTable;

/** What a first look at a file shows: its table, how it would be read, and which earlier import it resembles. */
final readonly class Look
{
    /**
     * @param list<string> $sheets none where there is only one and it has no name
     * @param ?ImportRecord $known the last import of a file with the same header
     */
    public function __construct(
        public ReadingFile $file,
        public array $sheets,
        public string $sheetName,
        public FileTable $sheet,
        public string $signature,
        public Mapping $mapping,
        public ?ImportRecord $known,
    ) {}

    /**
     * @return list<string> what a person has to confirm; of a kind of file that came in before, only what changes with
     *                      each
     */
    public function doubts(Mapping $mapping): array
    {
        $doubts = RoleGuess::doubts($this->sheet, $mapping);

        return array_values(null === $this->known ? $doubts : array_intersect($doubts, ['year']));
    }
}
