<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\OptimisticLockException;
use KeenMargin\App\Editing\ChangedMeanwhile;
use KeenMargin\App\Editing\ReportConflict;
use KeenMargin\App\Export\Slides\Package\DeckRefused;
use KeenMargin\App\Import\NoLongerHere;
use KeenMargin\App\Import\NoSuchReading;
use KeenMargin\App\Security\SecretLost;
use KeenMargin\App\Sources\Arrivals\NotWaiting;
use KeenMargin\App\Sources\FetchFailed;
use KeenMargin\App\Sources\Reach\NotAllowed;
use KeenMargin\App\Storage\Connection\StorageTrouble;
use KeenMargin\App\Storage\Imports\NotTakenBack;
use KeenMargin\App\Storage\Turn\DeletedMeanwhile;
use KeenMargin\App\Work\Cancelled;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Reading\Text\Refusal;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use Psr\Log\LoggerInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

/** Every error as problem+json: what is wrong and what to do, nothing of the inside. */
#[AsEventListener]
final readonly class ProblemListener
{
    private const MOST_REFUSALS = 200;

    public function __construct(
        private LoggerInterface $logger,
        #[Autowire('%env(resolve:KEEN_DATA)%')] private string $database,
    ) {}

    public function __invoke(ExceptionEvent $event): void
    {
        $error = $event->getThrowable();
        $trouble = StorageTrouble::maybeOf($error, $this->database);
        [$status, $problem] = match (true) {
            $error instanceof NotAccepted => [422, ['detail' => $error->reason, 'path' => $error->path]],
            $error instanceof DeckRefused => [422, ['detail' => $error->getMessage()]],
            $error instanceof RefusedFigures => [
                422, ['detail' => $error->getMessage(), 'refusals' => self::refusals($error)],
            ],
            $error instanceof ChangedMeanwhile => [
                412, ['detail' => $error->getMessage(), 'current' => ['cells' => $error->cells]],
            ],
            null !== $trouble => [
                $trouble->status(),
                ['detail' => $trouble->says()] + (StorageTrouble::Busy === $trouble ? ['isBusy' => true] : []),
            ],
            $error instanceof ReportConflict => [
                412, ['detail' => $error->getMessage(), 'current' => ['paths' => $error->paths]],
            ],
            $error instanceof StaleVersion => [412, ['detail' => $error->getMessage(), 'current' => $error->current]],
            $error instanceof OptimisticLockException => [
                412,
                ['detail' => 'Somebody changed this at the same moment. Load it again, then put your change on top.'],
            ],
            $error instanceof UniqueConstraintViolationException => [
                409,
                [
                    'detail' => 'Somebody else took this name at the same moment. Nothing of yours was changed. Give '
                        .'another name.',
                ],
            ],
            $error instanceof FetchFailed, $error instanceof SecretLost => [422, ['detail' => $error->getMessage()]],
            $error instanceof NotAllowed => [403, ['detail' => $error->getMessage()]],
            $error instanceof NotWaiting => [409, ['detail' => $error->getMessage()]],
            $error instanceof NotTakenBack => [409, ['detail' => $error->getMessage()]],
            $error instanceof DeletedMeanwhile, $error instanceof NoSuchReading => [
                404, ['detail' => $error->getMessage()],
            ],
            $error instanceof NoLongerHere => [410, ['detail' => $error->getMessage()]],
            $error instanceof Cancelled => [409, ['detail' => $error->getMessage()]],
            $error instanceof HttpExceptionInterface => [$error->getStatusCode(), ['detail' => self::says($error)]],
            default => [
                500, ['detail' => 'This is a fault of ours. It stands in the log; nothing of yours was changed.'],
            ],
        };
        if (500 === $status || (null !== $trouble && StorageTrouble::Busy !== $trouble)) {
            $this->logger->error($error->getMessage(), [
                'exception' => $error,
                'path' => $event->getRequest()->getPathInfo(),
            ]);
        }
        $headers =
            $error instanceof HttpExceptionInterface
                ? $error->getHeaders()
                : (503 === $status ? ['Retry-After' => '2'] : []);
        $event->setResponse(new JsonResponse(
            [
                'type' => 'about:blank',
                'title' => Response::$statusTexts[$status] ?? 'Error',
                'status' => $status,
            ] + $problem,
            $status,
            ['Content-Type' => 'application/problem+json'] + $headers,
        ));
    }

    /** @return list<array{row: int, column: string, reason: string}> */
    private static function refusals(RefusedFigures $error): array
    {
        return array_map(
            static fn (Refusal $refusal): array => [
                'row' => $refusal->row,
                'column' => $refusal->column,
                'reason' => $refusal->sentence(),
            ],
            \array_slice($error->refusals, 0, self::MOST_REFUSALS),
        );
    }

    private static function says(HttpExceptionInterface $error): string
    {
        return match ($error->getStatusCode()) {
            404 => str_starts_with($error->getMessage(), 'No route')
            || str_contains($error->getMessage(), 'object not found')
                ? 'There is nothing at this address.'
                : $error->getMessage(),
            405 => 'This cannot be done here. See /api/docs.',
            default => $error->getMessage(),
        };
    }
}
