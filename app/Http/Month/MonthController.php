<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Month;

use KeenMargin\App\Http\Contract\Month\ExpectedJson;
use KeenMargin\App\Http\Contract\Month\HolidayJson;
use KeenMargin\App\Http\Contract\Month\HolidaysJson;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Http\Signature;
use KeenMargin\App\Month\MonthClose;
use KeenMargin\App\Storage\Month\Expectation;
use KeenMargin\App\Storage\Month\ExpectationStore;
use KeenMargin\App\Storage\Month\HolidayStore;
use KeenMargin\App\Storage\Month\MonthClosings;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** What a month waits for; closing it. */
final readonly class MonthController
{
    private const MONTH = '\d{4}-\d{2}';
    private const MOST_DATASETS = 500;
    private const MOST_HOLIDAYS = 1_000;
    private const MOST_WORKING_DAYS = 23;

    public function __construct(
        private MonthState $state,
        private MonthHistoryState $history,
        private MonthClose $close,
        private MonthClosings $closings,
        private ExpectationStore $expectations,
        private HolidayStore $holidays,
        private Records $records,
        private WriteTurn $turn,
    ) {}

    #[Route('/api/months/last', methods: 'GET')]
    #[Operation('What the month that is over waits for', answer: 'Month')]
    public function last(): JsonResponse
    {
        return new JsonResponse($this->state->of($this->state->last()));
    }

    #[Route('/api/months/{period}', requirements: ['period' => self::MONTH], methods: 'GET')]
    #[Operation('What a month waits for', answer: 'Month')]
    public function get(string $period): JsonResponse
    {
        return new JsonResponse($this->state->of(self::month($period)));
    }

    #[Route('/api/months/{period}/history', requirements: ['period' => self::MONTH], methods: 'GET')]
    #[Operation('How late figures came over the twelve months up to this one', answer: 'MonthHistory')]
    public function history(string $period): JsonResponse
    {
        return new JsonResponse($this->history->of(self::month($period)));
    }

    #[Route('/api/months/{period}/closings', requirements: ['period' => self::MONTH], methods: 'POST')]
    #[Operation(
        'Close a month: the books of all datasets that are named move at once',
        answer: 'MonthClosed',
        status: 201,
        body: ['datasets' => 'integer[]'],
        isSigned: true,
    )]
    public function close(string $period, Request $request): JsonResponse
    {
        $given = JsonBody::of($request)->object(['datasets'])->must('datasets')->list(1);
        if (\count($given) > self::MOST_DATASETS) {
            throw new NotAccepted('datasets', 'These are too many at once.');
        }
        $ids = array_map(static fn (Given $id): int => $id->int(1, Records::HIGHEST_ID), $given);
        foreach ($ids as $id) {
            $this->records->dataset($id);
        }
        $id = $this->close->close(self::month($period), array_values(array_unique($ids)), Signature::of($request));

        return new JsonResponse($this->state->maybeClosed($this->closings->maybe($id)), 201);
    }

    #[Route('/api/month-closings/{id}/undo', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation(
        'Undo that a month was closed; books that were moved elsewhere since stay',
        answer: 'MonthClosed',
        isSigned: true,
    )]
    public function undo(int $id, Request $request): JsonResponse
    {
        $closing = $this->closings->maybe($id) ?? throw new NotFoundHttpException("There is no closing $id.");
        $this->close->undo($closing, Signature::of($request));

        return new JsonResponse($this->state->maybeClosed($this->closings->maybe($id)));
    }

    #[Route('/api/datasets/{id}/expectations', requirements: ['id' => Records::ID], methods: 'GET')]
    #[Operation('What a dataset expects each month', answer: 'Expected[]')]
    public function expected(int $id): JsonResponse
    {
        $this->records->dataset($id);

        return new JsonResponse(array_map(
            static fn (Expectation $one): ExpectedJson => new ExpectedJson(
                $one->scenario->value, $one->workingDay, $one->whom, $one->source,
            ),
            $this->expectations->all()[$id] ?? [],
        ));
    }

    #[Route('/api/datasets/{id}/expectations', requirements: ['id' => Records::ID], methods: 'PUT')]
    #[Operation('Say what a dataset expects each month', answer: 'Expected[]', body: ['items' => 'Expected[]'])]
    public function expect(int $id, Request $request): JsonResponse
    {
        $this->records->dataset($id);
        $items = array_map(
            fn (Given $one): Expectation => $this->expectation($id, $one),
            JsonBody::of($request)->object(['items'])->must('items')->list(),
        );
        $codes = array_map(static fn (Expectation $one): string => $one->scenario->value, $items);
        if (\count($codes) !== \count(array_unique($codes))) {
            throw new NotAccepted('items', 'Each scenario stands once.');
        }
        $this->turn->take(fn () => $this->expectations->replace($id, $items));

        return $this->expected($id);
    }

    #[Route('/api/months/{period}/not-coming', requirements: ['period' => self::MONTH], methods: 'PUT')]
    #[Operation(
        'Say that figures do not come in a month, and why; without a reason that they do',
        answer: 'Month',
        body: ['dataset' => 'integer', 'scenario' => 'AC|BU|FC|TG|PY', 'why?' => 'string'],
        isSigned: true,
    )]
    public function notComing(string $period, Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['dataset', 'scenario', 'why']);
        $id = (int) $this->records->dataset($body->must('dataset')->int(1, Records::HIGHEST_ID))->id;
        $month = self::month($period);
        $this->turn->take(
            fn () => $this->expectations->setNotComing(
                $id,
                $body->must('scenario')->enum(Scenario::class),
                $month->key(),
                $body->maybe('why')?->string(400),
                Signature::of($request),
            ),
        );

        return $this->get($period);
    }

    #[Route('/api/holidays', methods: 'GET')]
    #[Operation('Days off besides weekends', answer: 'Holidays')]
    public function holidays(): JsonResponse
    {
        $all = $this->holidays->all();

        return new JsonResponse(new HolidaysJson(array_map(
            static fn (string $day, string $name): HolidayJson => new HolidayJson($day, $name),
            array_keys($all),
            $all,
        )));
    }

    #[Route('/api/holidays', methods: 'PUT')]
    #[Operation('Say which days are off, in place of all that there were', answer: 'Holidays', body: 'Holidays')]
    public function setHolidays(Request $request): JsonResponse
    {
        $days = [];
        foreach (JsonBody::of($request)->object(['items'])->must('items')->list() as $one) {
            $one->object(['day', 'name']);
            $days[self::day($one->must('day'))] = trim($one->maybe('name')?->text(120) ?? '');
        }
        if (\count($days) > self::MOST_HOLIDAYS) {
            throw new NotAccepted('items', 'These are more days off than a working life has.');
        }
        $this->holidays->replace($days);

        return $this->holidays();
    }

    private function expectation(int $dataset, Given $one): Expectation
    {
        $one->object(['scenario', 'workingDay', 'whom', 'source']);
        $source = $one->maybe('source')?->int(1, Records::HIGHEST_ID);
        if (null !== $source && $dataset !== (int) $this->records->source($source)->dataset->id) {
            throw new NotAccepted('source', 'This source is of another dataset.');
        }

        return new Expectation(
            $one->must('scenario')->enum(Scenario::class),
            $one->must('workingDay')->int(1, self::MOST_WORKING_DAYS),
            trim($one->maybe('whom')?->text(120) ?? ''),
            $source,
        );
    }

    private static function month(string $key): Period
    {
        try {
            return Period::of($key);
        } catch (NotAPeriod $e) {
            throw new NotAccepted('period', $e->getMessage());
        }
    }

    private static function day(Given $given): string
    {
        $key = $given->string(10);
        try {
            $period = Period::of($key);
        } catch (NotAPeriod) {
            throw $given->refuse('a day such as 2026-12-25');
        }

        return Grain::Day === $period->grain ? $period->key() : throw $given->refuse('a day such as 2026-12-25');
    }
}
