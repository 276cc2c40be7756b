<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use KeenMargin\App\CommandLine\YearHint;
use KeenMargin\App\Import\ReadingShelf;
use KeenMargin\App\Import\Trial;
use KeenMargin\Core\Figures\Reading\Limits;
use KeenMargin\Core\Figures\Reading\MappingReader;
use KeenMargin\Core\Figures\Reading\RefusedFigures;
use KeenMargin\Core\Figures\Reading\RoleGuess;
use KeenMargin\Core\Figures\Reading\Sheet;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\BadRequestHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** Files and pastes on their way in: looked at, tried under a mapping, dropped. */
#[Route('/api/readings')]
final readonly class ReadingController
{
    private const SAMPLE = 12;

    public function __construct(private ReadingShelf $shelf)
    {
    }

    /** A file as `file` of a form, or `{"name": …, "text": …}`. */
    #[Route('', methods: 'POST')]
    public function post(Request $request): JsonResponse
    {
        [$name, $bytes] = self::received($request);
        $sheet = Sheet::ofText($bytes);
        $plain = pathinfo($name, \PATHINFO_FILENAME);
        $mapping = RoleGuess::of($sheet, null, YearHint::ofName($plain));

        return new JsonResponse([
            'id' => $this->shelf->put($name, $bytes),
            'name' => $name,
            'suggestedName' => self::suggestedName($plain),
            'columns' => $sheet->header,
            'sample' => \array_slice(array_values($sheet->rows), 0, self::SAMPLE),
            'sampleRows' => \array_slice(array_keys($sheet->rows), 0, self::SAMPLE),
            'rowCount' => \count($sheet->rows),
            'mapping' => $mapping->toArray(),
            'doubts' => RoleGuess::doubts($sheet, $mapping),
        ], 201);
    }

    /** What would come in under a mapping, or which rows are refused and why. Keeps nothing. */
    #[Route('/{id}/trials', methods: 'POST')]
    public function try(string $id, Request $request): JsonResponse
    {
        [$name, $bytes] = $this->shelf->get($id);
        $sheet = Sheet::ofText($bytes);
        $guess = RoleGuess::of($sheet, null, YearHint::ofName($name));
        $mapping = MappingReader::read(JsonBody::of($request)->object(['mapping'])->must('mapping'), $guess, $sheet);

        return new JsonResponse(Trial::of($sheet, $mapping));
    }

    #[Route('/{id}', methods: 'DELETE')]
    public function drop(string $id): Response
    {
        $this->shelf->drop($id);

        return new Response(null, 204);
    }

    /** @return array{string, string} name and bytes */
    private static function received(Request $request): array
    {
        if ('json' === $request->getContentTypeFormat()) {
            if (\strlen($request->getContent()) > 2 * Limits::BYTES) {
                throw RefusedFigures::whole('What was pasted is too large. Save it as a file and drop that.');
            }
            $body = json_decode($request->getContent(), true);
            if (!\is_array($body) || !\is_string($body['text'] ?? null)) {
                throw new BadRequestHttpException('Send {"name": …, "text": …}.');
            }

            return [self::safeName(\is_string($body['name'] ?? null) ? $body['name'] : 'Pasted table'), $body['text']];
        }
        $file = $request->files->get('file');
        if (!$file instanceof UploadedFile) {
            throw new BadRequestHttpException('Send the file as "file" of a form.');
        }
        if (!$file->isValid()) {
            throw RefusedFigures::whole(\sprintf('The file did not arrive whole. Files of up to %d MB can be read.', Limits::BYTES / 1_000_000));
        }

        return [self::safeName($file->getClientOriginalName()), $file->getContent()];
    }

    /** The last part of the name, without what could be a path or steer a terminal. */
    private static function safeName(string $name): string
    {
        $name = preg_replace('/[\x00-\x1F\x7F]/u', '', basename(strtr($name, '\\', '/'))) ?? '';

        return '' === trim($name) ? 'Figures' : mb_substr($name, 0, 200);
    }

    private static function suggestedName(string $plain): string
    {
        $words = trim((string) preg_replace('/[\s_-]+/', ' ', $plain));

        return mb_strtoupper(mb_substr($words, 0, 1)).mb_substr($words, 1);
    }
}
