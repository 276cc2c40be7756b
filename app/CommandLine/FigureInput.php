<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

use KeenMargin\App\Import\Format\FigureFile;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Mapping\MappingReader;
use KeenMargin\Core\Figures\Reading\Rows\FactReader;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Series\FactTable;

/** Reads a file of figures for one command, as it is told or recognised. */
final class FigureInput
{
    /**
     * @param ?Given $told how the file is to be read; null: all of it is recognised
     * @param ?string $measure what amounts count whose column does not say it
     * @param int $year of months that come without one
     * @param string $where it is told how the file is to be read, within a sentence
     * @param string $name of the dataset
     *
     * @throws UsageError|NotAccepted|RefusedFigures
     */
    public static function read(
        string $file,
        ?Given $told,
        ?string $measure,
        int $year,
        string $where,
        string $name,
    ): FactTable {
        $sheet = FigureFile::open(InputFile::path($file, 'figures'))->sheet(
            MappingReader::maybeSheet($told), MappingReader::maybeHeader($told),
        );
        $guess = RoleGuess::of($sheet, $measure, $year);
        $mapping = null === $told ? $guess : MappingReader::read($told, $guess, $sheet);
        Undecided::refuse($sheet, $mapping, $told, $where);

        return FactReader::read($sheet, $mapping, $name);
    }
}
