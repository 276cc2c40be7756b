<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Figures;

use KeenMargin\App\Storage\Changes\ChangeLog;
use KeenMargin\App\Storage\Record\DatasetRecord;

/** The state of a dataset in a few bytes: its counters, and the next steps back and on. */
final readonly class Pulse
{
    private function __construct(
        private int $version,
        private int $revision,
        private ?string $undo,
        private ?string $redo,
        private int $undoId,
    ) {}

    public static function of(DatasetRecord $record, ChangeLog $changes): self
    {
        $state = $changes->state($record);

        return new self($record->version, $record->revision, $state['undo'], $state['redo'], $state['undoId']);
    }

    /** @return array{version: int, revision: int, undo: ?string, redo: ?string, undoId: int} */
    public function toArray(): array
    {
        return [
            'version' => $this->version,
            'revision' => $this->revision,
            'undo' => $this->undo,
            'redo' => $this->redo,
            'undoId' => $this->undoId,
        ];
    }
}
