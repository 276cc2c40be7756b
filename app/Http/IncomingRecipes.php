<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Time\FiscalCalendar;

/** Reads recipes that were sent. Whoever sent one may not have heard of every renaming. */
final readonly class IncomingRecipes
{
    public function __construct(private ChartKinds $kinds, private KeptDocuments $documents) {}

    /**
     * @param ?int $known the last change of a name that the sender knew of; null: names are told as they are now, or as
     *                    they were last
     *
     * @throws NotAccepted with paths from the recipe's own root
     */
    public function read(Given $given, DatasetRecord $record, ?int $known = null): Recipe
    {
        $calendar = new FiscalCalendar($record->firstMonth);
        $recipe = RecipeReader::read($given->asDocument(), $this->kinds, $calendar);
        $latest = $this->documents->names->latest();
        if (0 === $latest || $known === $latest) {
            return $recipe;
        }
        $told = RecipeWriter::toArray($recipe);
        $now = $this->documents->renewed((int) $record->id, $told, $known);

        return $now === $told ? $recipe : RecipeReader::read(Given::kept($now), $this->kinds, $calendar);
    }
}
