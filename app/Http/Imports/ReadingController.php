<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Imports;

use KeenMargin\App\Export\Table\CsvWriter;
use KeenMargin\App\Export\Table\TextFileWriter;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\FileName;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\ReceivedFile;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Import\FirstLook;
use KeenMargin\App\Import\ReadingFile;
use KeenMargin\App\Import\ReadingShelf;
use KeenMargin\App\Import\Trial;
use KeenMargin\App\Jobs\Deferral;
use KeenMargin\App\Storage\Files\WholeFile;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Figures\Keeping\ImportMode;
use KeenMargin\Core\Figures\Reading\Mapping\MappingReader;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\BadRequestHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** Files and pastes on their way in: looked at, tried under a mapping, dropped. */
#[Route('/api/readings')]
final readonly class ReadingController
{
    public function __construct(
        private ReadingShelf $shelf,
        private FirstLook $firstLook,
        private Trial $trial,
        private ReadingState $state,
        private Records $records,
        private Deferral $deferral,
    ) {}

    /** A file as `file` of a form, or `{"name": …, "text": …}`; `dataset` says which one it is meant for. */
    #[Route('', methods: 'POST')]
    #[Operation(
        'Hand in a file or a pasted table; nothing is kept yet',
        answer: 'Reading',
        status: 201,
        body: ['name?' => 'string', 'text' => 'string', 'dataset?' => 'integer'],
        takesFile: true,
    )]
    public function post(Request $request): JsonResponse
    {
        [$name, $path, $target] = $this->received($request);
        $file = $this->shelf->put($name, $path);
        try {
            $look = $this->firstLook->look($file, null, null, $target, true);
        } catch (RefusedFigures $e) {
            $this->shelf->drop($file->id);
            throw $e;
        }

        return new JsonResponse($this->state->of($look, $target), 201);
    }

    /** The file as it was first looked at. */
    #[Route('/{id}', requirements: ['id' => '[0-9a-f]{24}'], methods: 'GET')]
    #[Operation('The file as it was first looked at', answer: 'Reading')]
    public function get(string $id): JsonResponse
    {
        return new JsonResponse(
            $this->state->of($this->firstLook->look($this->shelf->get($id), null, null, null, true), null),
        );
    }

    /** The same file looked at anew: another sheet, another header, for another dataset. */
    #[Route('/{id}/looks', methods: 'POST')]
    #[Operation(
        'Look at the file anew: another sheet or header, for another dataset',
        answer: 'Reading',
        body: ['sheet?' => 'string', 'header?' => 'HeaderPlace', 'dataset?' => 'integer'],
    )]
    public function look(string $id, Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['sheet', 'header', 'dataset']);
        $target = $this->maybeDataset($body);

        return new JsonResponse($this->state->of(
            $this->firstLook->look(
                $this->shelf->get($id), MappingReader::maybeSheet($body), MappingReader::maybeHeader($body), $target,
            ),
            $target,
        ));
    }

    /** What would come in under a mapping, or which rows are refused and why. Keeps nothing. */
    #[Route('/{id}/trials', methods: 'POST')]
    #[Operation(
        'What would come in under a mapping, or which rows are refused',
        answer: 'Trial',
        body: ['mapping' => 'Mapping', 'dataset?' => 'integer', 'mode?' => 'add|replace periods|replace all'],
        isLong: true,
    )]
    public function try(string $id, Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['mapping', 'dataset', 'mode']);
        $told = $body->must('mapping');
        $target = $this->maybeDataset($body);
        $file = $this->shelf->get($id);
        $job = $this->deferral->maybeOfFile($request, $file->path, 0, "$file->name is being read");
        if (null !== $job) {
            return $job;
        }
        $look = $this->firstLook->look(
            $file, MappingReader::maybeSheet($told), MappingReader::maybeHeader($told), $target,
        );

        return new JsonResponse($this->trial->of(
            $look,
            $this->firstLook->mapping($look, $told),
            $target,
            $body->maybe('mode')?->enum(ImportMode::class) ?? ImportMode::Add,
        ));
    }

    /** How far the work on this file has come. */
    #[Route('/{id}/progress', methods: 'GET')]
    #[Operation('How far the work on a file has come', answer: 'ReadingProgress')]
    public function progress(string $id): JsonResponse
    {
        return new JsonResponse($this->shelf->progress($id));
    }

    /** Ends the work that is going on. Nothing of it is kept. */
    #[Route('/{id}/progress', methods: 'DELETE')]
    #[Operation('End the work that is going on; nothing of it is kept', status: 204)]
    public function cancel(string $id): Response
    {
        $this->shelf->cancel($id);

        return new Response(null, 204);
    }

    /** The refused rows of the last trial with their reasons, as CSV. */
    #[Route('/{id}/refusals', methods: 'GET')]
    #[Operation('The refused rows of the last trial with their reasons', media: ['text/csv'])]
    public function refusals(string $id): Response
    {
        $lines = [['Row', 'Column', 'Reason']];
        foreach ($this->shelf->refusals($id) as $refusal) {
            $lines[] = [(string) $refusal->row, $refusal->column, $refusal->reason];
        }
        $csv = implode(
            '',
            array_map(
                static fn (array $line): string => implode(',', array_map(CsvWriter::cell(...), $line))."\r\n",
                $lines,
            ),
        );

        return new Response($csv, 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="refused-rows.csv"',
        ]);
    }

    #[Route('/{id}', methods: 'DELETE')]
    #[Operation('Drop a reading', status: 204)]
    public function drop(string $id): Response
    {
        $this->shelf->drop($id);

        return new Response(null, 204);
    }

    private function maybeDataset(Given $body): ?DatasetRecord
    {
        $id = $body->maybe('dataset')?->int(1, Records::HIGHEST_ID);

        return null === $id ? null : $this->records->dataset($id);
    }

    /** @return array{string, string, ?DatasetRecord} name, path of the file, the dataset that it is meant for */
    private function received(Request $request): array
    {
        if ('json' === $request->getContentTypeFormat()) {
            if (\strlen($request->getContent()) > 2 * Limits::PASTED_BYTES) {
                throw RefusedFigures::whole('What was pasted is too large. Save it as a file and drop that.');
            }
            $body = json_decode($request->getContent(), true);
            if (!\is_array($body) || !\is_string($body['text'] ?? null)) {
                throw new BadRequestHttpException('Send {"name": …, "text": …}.');
            }
            $path = TextFileWriter::temporary('paste');
            WholeFile::write($path, $body['text']);

            return [
                FileName::safe(\is_string($body['name'] ?? null) ? $body['name'] : ReadingFile::PASTED),
                $path,
                $this->target($body['dataset'] ?? null),
            ];
        }
        $partial = RefusedFigures::whole(\sprintf(
            'The file did not arrive whole. Text files of up to %d MB and workbooks of up to %d MB can be read.',
            Limits::BYTES / 1_000_000,
            Limits::PACKED_BYTES / 1_000_000,
        ));
        $file = ReceivedFile::of($request, $partial);

        return [
            FileName::safe($file->getClientOriginalName()),
            $file->getPathname(),
            $this->target($request->request->get('dataset')),
        ];
    }

    private function target(mixed $id): ?DatasetRecord
    {
        if (null === $id || '' === $id) {
            return null;
        }
        if (!\is_scalar($id) || 1 !== preg_match('/^[1-9]\d{0,14}$/D', (string) $id)) {
            throw new BadRequestHttpException('dataset: give the number of a dataset.');
        }

        return $this->records->dataset((int) $id);
    }
}
