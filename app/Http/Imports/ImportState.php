<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Imports;

use KeenMargin\App\Storage\Record\ImportRecord;

/** An import as the API tells it. */
final class ImportState
{
    /** @return array<string, mixed> */
    public static function of(ImportRecord $import): array
    {
        return [
            'id' => $import->id,
            'name' => $import->name,
            'at' => $import->at->format(\DateTimeInterface::ATOM),
            'who' => $import->who,
            'rows' => $import->rowCount,
            'facts' => $import->factCount,
            'mode' => $import->mode,
            'counts' => $import->counts + [
                'added' => $import->factCount,
                'replaced' => 0,
                'unchanged' => 0,
                'removed' => 0,
            ],
            'takenBackAt' => $import->takenBackAt?->format(\DateTimeInterface::ATOM),
            'isKept' => null !== $import->keptFile,
        ];
    }
}
