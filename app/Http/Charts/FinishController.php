<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Charts;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Editing\FinishUse;
use KeenMargin\App\Http\Contract\Charts\NamedFinishJson;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Http\Version;
use KeenMargin\App\Storage\Record\NamedFinishRecord;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Shape\Shape;
use KeenMargin\Core\Question\Document\FinishReader;
use KeenMargin\Core\Question\Finish\Finish;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** Looks under a name, used on any number of charts. */
#[Route('/api/finishes')]
final readonly class FinishController
{
    public function __construct(
        private EntityManagerInterface $manager,
        private Records $records,
        private FinishUse $use,
        private ChartState $states,
        private WriteTurn $turn,
    ) {}

    /** All of them, by name: there are few. */
    #[Route('', methods: 'GET')]
    #[Operation('Named finishes', answer: 'NamedFinishes')]
    public function list(): JsonResponse
    {
        return new JsonResponse([
            'items' => array_map(
                $this->state(...),
                $this->manager->getRepository(NamedFinishRecord::class)->findBy([], ['name' => 'ASC'], 200),
            ),
        ]);
    }

    #[Route('', methods: 'POST')]
    #[Operation(
        'Keep a finish under a name',
        answer: 'NamedFinish',
        status: 201,
        body: ['name' => 'string', 'finish?' => 'object', 'isDefault?' => 'boolean'],
    )]
    public function post(Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['name', 'finish', 'isDefault']);
        $named = $this->turn->take(function () use ($body): NamedFinishRecord {
            $named = new NamedFinishRecord($this->name($body, null), self::finish($body->must('finish')));
            $this->manager->persist($named);
            $this->settleDefault($named, $body);

            return $named;
        });

        return Version::answer($this->state($named), $named->version, 201);
    }

    /** Charts that bear its name follow. */
    #[Route('/{id}', requirements: ['id' => Records::ID], methods: 'PUT')]
    #[Operation(
        'Change a named finish, and the charts that bear its name',
        answer: 'NamedFinish',
        body: ['name' => 'string', 'finish?' => 'object', 'isDefault?' => 'boolean'],
        isVersioned: true,
    )]
    public function put(int $id, Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['name', 'finish', 'isDefault']);
        $named = $this->turn->take(function () use ($id, $request, $body): NamedFinishRecord {
            $named = $this->unchanged($id, $request);
            $before = $named->name;
            $named->name = $this->name($body, $named);
            $finish = $body->maybe('finish');
            $named->finish = null === $finish ? $named->finish : self::finish($finish);
            $this->settleDefault($named, $body);
            $this->use->follow($before, $named);

            return $named;
        });

        return Version::answer($this->state($named), $named->version);
    }

    /** Charts keep their looks, and lose the name. */
    #[Route('/{id}', requirements: ['id' => Records::ID], methods: 'DELETE')]
    #[Operation('Delete a named finish; charts keep their looks', status: 204, isVersioned: true)]
    public function delete(int $id, Request $request): Response
    {
        $this->turn->take(function () use ($id, $request): void {
            $named = $this->unchanged($id, $request);
            $this->use->follow($named->name, null);
            $this->manager->remove($named);
        });

        return new Response(null, 204);
    }

    /** Puts it on charts; tells what they were before, so that it can be undone. */
    #[Route('/{id}/uses', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation('Put a named finish on charts', answer: 'FinishUses', body: ['charts' => 'integer[]'])]
    public function use(int $id, Request $request): JsonResponse
    {
        $given = JsonBody::of($request)->object(['charts'])->must('charts')->list(1);
        [$charts, $before] = $this->turn->take(function () use ($id, $given): array {
            $charts = array_map(
                fn (Given $chart) => $this->records->chart($chart->int(1, Records::HIGHEST_ID)),
                $given,
            );

            return [$charts, $this->use->put($this->named($id), $charts)];
        });

        return new JsonResponse(['before' => $before, 'charts' => array_map($this->states->of(...), $charts)]);
    }

    private function unchanged(int $id, Request $request): NamedFinishRecord
    {
        $named = $this->named($id);
        Version::insist($request, $named->version, fn (): NamedFinishJson => $this->state($named));

        return $named;
    }

    private function named(int $id): NamedFinishRecord
    {
        return $this->manager->find(NamedFinishRecord::class, $id) ??
            throw new NotFoundHttpException("There is no finish $id. It may have been deleted.");
    }

    private function name(Given $body, ?NamedFinishRecord $own): string
    {
        $name = trim($body->must('name')->string());
        $other = $this->manager->getRepository(NamedFinishRecord::class)->findOneBy(['name' => $name]);

        return null === $other || $other === $own
            ? $name
            : throw new NotAccepted(
                'name', "There is a finish \"$name\" already. Give another name, or change that one.",
            );
    }

    /** @return array<string, mixed> the looks without the words of the chart that it was taken from */
    private static function finish(Given $given): array
    {
        return Shape::of(Finish::class)->write(FinishReader::read($given, false)->onto(new Finish(), null));
    }

    private function settleDefault(NamedFinishRecord $named, Given $body): void
    {
        $isDefault = $body->maybe('isDefault')?->bool();
        if (true === $isDefault) {
            foreach ($this->manager->getRepository(NamedFinishRecord::class)->findBy(['isDefault' => true]) as $other) {
                $other->isDefault = false;
            }
        }
        $named->isDefault = $isDefault ?? $named->isDefault;
    }

    private function state(NamedFinishRecord $named): NamedFinishJson
    {
        return new NamedFinishJson(
            id: (int) $named->id,
            version: $named->version,
            name: $named->name,
            finish: (object) $named->finish,
            isDefault: $named->isDefault,
            charts: array_map(static fn ($chart): int => (int) $chart->id, $this->use->bearing($named->name)),
        );
    }
}
