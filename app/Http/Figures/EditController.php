<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Figures;

use KeenMargin\App\Editing\CellBlock;
use KeenMargin\App\Editing\CellEdit;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Http\Signature;
use KeenMargin\App\Storage\Changes\ChangeLog;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Series\StoredFigures;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Figures changed by hand, and steps back and on through all that was changed in a dataset. */
#[Route('/api/datasets/{id}', requirements: ['id' => Records::ID])]
final readonly class EditController
{
    public function __construct(
        private Records $records,
        private SeriesStore $store,
        private CellEdit $edit,
        private ChangeLog $changes,
    ) {}

    /** Sets or clears a block of amounts. What stood there may be told: then it must still stand there. */
    #[Route('/edits', methods: 'POST')]
    #[Operation('Set or clear amounts by hand', answer: 'Edited', body: 'Cells', isSigned: true)]
    public function edit(int $id, Request $request): JsonResponse
    {
        $record = $this->records->dataset($id);
        $given = JsonBody::of($request)->object(CellBlock::KEYS);
        $block = CellBlock::of($given, StoredFigures::about($record, $this->store, CellBlock::namesIn($given)));
        $changed = [] === $block->cells ? 0 : $this->edit->do($record, $block, Signature::of($request));

        return new JsonResponse(['changed' => $changed] + $this->pulse($id)->toArray());
    }

    #[Route('/undo', methods: 'POST')]
    #[Operation('Undo the last change of a dataset, whatever it was', answer: 'Stepped')]
    public function undo(int $id): JsonResponse
    {
        return $this->stepped($id, $this->changes->undo($this->records->dataset($id)));
    }

    #[Route('/redo', methods: 'POST')]
    #[Operation('Do again what was undone last', answer: 'Stepped')]
    public function redo(int $id): JsonResponse
    {
        return $this->stepped($id, $this->changes->redo($this->records->dataset($id)));
    }

    /** What changes whenever anything in the dataset does, for whoever shows it. */
    #[Route('/pulse', methods: 'GET')]
    #[Operation('Whether anything has changed', answer: 'Pulse')]
    public function beat(int $id): JsonResponse
    {
        return new JsonResponse($this->pulse($id)->toArray());
    }

    /** @param array{says: string, skipped: int}|null $step */
    private function stepped(int $id, ?array $step): JsonResponse
    {
        return new JsonResponse(['step' => $step] + $this->pulse($id)->toArray());
    }

    private function pulse(int $id): Pulse
    {
        return Pulse::of($this->records->dataset($id), $this->changes);
    }
}
