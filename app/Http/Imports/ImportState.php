<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Imports;

use KeenMargin\App\Http\Contract\Imports\CountsJson;
use KeenMargin\App\Http\Contract\Imports\ImportJson;
use KeenMargin\App\Storage\Record\ImportRecord;

/** An import as the API tells it. */
final class ImportState
{
    public static function of(ImportRecord $import): ImportJson
    {
        return new ImportJson(
            id: (int) $import->id,
            name: $import->name,
            at: $import->at->format(\DateTimeInterface::ATOM),
            who: $import->who,
            rows: $import->rowCount,
            facts: $import->factCount,
            mode: $import->mode,
            counts: new CountsJson(
                added: $import->counts['added'] ?? $import->factCount,
                replaced: $import->counts['replaced'] ?? 0,
                unchanged: $import->counts['unchanged'] ?? 0,
                removed: $import->counts['removed'] ?? 0,
            ),
            takenBackAt: $import->takenBackAt?->format(\DateTimeInterface::ATOM),
            isKept: null !== $import->keptFile,
        );
    }
}
