<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Charts;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Editing\NoteEdit;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\IncomingRecipes;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\ListPage;
use KeenMargin\App\Http\QueryNumber;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Http\Signature;
use KeenMargin\App\Http\Version;
use KeenMargin\App\Storage\Connection\Like;
use KeenMargin\App\Storage\DatasetNotes;
use KeenMargin\App\Storage\NamedNote;
use KeenMargin\App\Storage\Record\NoteRecord;
use KeenMargin\App\Storage\Series\OpenDatasets;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Workings\About\RowTarget;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Notes about rows of a dataset: written where a chart shows the row, found wherever they belong. */
final readonly class NoteController
{
    private const LONGEST_SEARCH = 200;

    public function __construct(
        private EntityManagerInterface $manager,
        private Records $records,
        private OpenDatasets $datasets,
        private ChartKinds $kinds,
        private IncomingRecipes $recipes,
        private NoteEdit $edit,
        private DatasetNotes $notes,
        private WriteTurn $turn,
    ) {}

    /** The latest first; with `q` those whose text, author or row has it, with `dataset` those of one. */
    #[Route('/api/notes', methods: 'GET')]
    #[Operation(
        'Notes, the latest first',
        answer: 'page of Note',
        query: ['q' => 'string', 'dataset' => 'string', 'page' => 'string'],
    )]
    public function list(Request $request): JsonResponse
    {
        $page = ListPage::of($request);
        $of = $this->manager
            ->createQueryBuilder()
            ->from(NoteRecord::class, 'note')
            ->join('note.dataset', 'dataset')
            ->where('dataset.deletedAt IS NULL');
        $sought = mb_substr(trim(mb_scrub($request->query->getString('q'))), 0, self::LONGEST_SEARCH);
        if ('' !== $sought) {
            $isLike = Like::any(['note.text', 'note.author', 'note.label'], 'like');
            $of->andWhere($isLike)->setParameter('like', Like::within($sought));
        }
        if ($request->query->has('dataset')) {
            $of->andWhere('dataset.id = :dataset')->setParameter('dataset', QueryNumber::maybe($request, 'dataset'));
        }

        return new JsonResponse($page->listed($of, NoteRecord::class, $this->state(...), ['id']));
    }

    #[Route('/api/notes/{id}', requirements: ['id' => Records::ID], methods: 'GET')]
    #[Operation('A note', answer: 'Note')]
    public function get(int $id): JsonResponse
    {
        $note = $this->records->note($id);

        return Version::answer($this->state($note), $note->version);
    }

    /** About a row of what a recipe shows. */
    #[Route('/api/datasets/{id}/notes', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation(
        "Write a note about a row of what a recipe shows: it belongs to the row's measure, period and members",
        answer: 'Note',
        status: 201,
        body: ['recipe' => 'Recipe', 'row' => 'string', 'text' => 'string'],
    )]
    public function post(int $id, Request $request): JsonResponse
    {
        $dataset = $this->records->dataset($id);
        $body = JsonBody::of($request)->object(['recipe', 'row', 'text']);
        $figures = $this->datasets->figures($dataset);
        $recipe = $this->recipes->read($body->must('recipe'), $dataset);
        $workings = Drawing::workings($recipe, $figures, $this->kinds);
        $key = $body->must('row')->text(1000);
        $row =
            $workings->table->maybeRow($key) ??
            throw new NotAccepted('row', "There is no row \"$key\" in this chart.");
        $place =
            RowTarget::maybe($row, $workings, $recipe->question) ??
            throw new NotAccepted('row', "{$row->label} gathers several members; write the note about one of them.");
        $note = $this->records->note($this->edit->write(
            $dataset,
            $place,
            NamedNote::labelled($place->measure, $place->place, $place->period),
            trim($body->must('text')->string(NoteEdit::LONGEST)),
            Signature::of($request),
        ));

        return Version::answer($this->state($note), $note->version, 201);
    }

    #[Route('/api/notes/{id}', requirements: ['id' => Records::ID], methods: 'PUT')]
    #[Operation('Change a note', answer: 'Note', body: ['text' => 'string'], isVersioned: true)]
    public function put(int $id, Request $request): JsonResponse
    {
        $text = trim(JsonBody::of($request)->object(['text'])->must('text')->string(NoteEdit::LONGEST));
        $this->turn->take(
            fn () => $this->edit->change($this->unchanged($id, $request), $text, Signature::of($request)),
        );
        $note = $this->records->note($id);

        return Version::answer($this->state($note), $note->version);
    }

    #[Route('/api/notes/{id}', requirements: ['id' => Records::ID], methods: 'DELETE')]
    #[Operation('Delete a note; undo brings it back', status: 204, isVersioned: true)]
    public function delete(int $id, Request $request): Response
    {
        $this->turn->take(fn () => $this->edit->delete($this->unchanged($id, $request), Signature::of($request)));

        return new Response(null, 204);
    }

    /** @return array<string, mixed> */
    private function state(NoteRecord $note): array
    {
        return NoteState::of($this->notes->one($note));
    }

    private function unchanged(int $id, Request $request): NoteRecord
    {
        $note = $this->records->note($id);
        Version::insist($request, $note->version, fn (): array => $this->state($note));

        return $note;
    }
}
