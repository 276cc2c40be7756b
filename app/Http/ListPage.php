<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use Doctrine\ORM\QueryBuilder;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\BadRequestHttpException;

/** Which part of a list is asked for. */
final readonly class ListPage
{
    public const SIZE = 50;

    private function __construct(public int $number) {}

    public static function of(Request $request): self
    {
        $page = $request->query->get('page', '1');
        if (1 !== preg_match('/^[1-9]\d{0,5}$/', (string) $page)) {
            throw new BadRequestHttpException('page: give a whole number from 1.');
        }

        return new self((int) $page);
    }

    public function first(): int
    {
        return ($this->number - 1) * self::SIZE;
    }

    /**
     * The part of what a query finds.
     *
     * @template T of object
     *
     * @param QueryBuilder $of from the records, with what belongs to the list
     * @param class-string<T> $class of the records
     * @param callable(T): (array<string, mixed>|object) $state what the list tells of each
     * @param list<string> $latest fields that the list begins with the highest of
     *
     * @return array{items: list<array<string, mixed>|object>, page: int, pages: int, total: int}
     */
    public function listed(QueryBuilder $of, string $class, callable $state, array $latest): array
    {
        $record = $of->getRootAliases()[0] ?? '';
        $part = (clone $of)->select($record)->setFirstResult($this->first())->setMaxResults(self::SIZE);
        foreach ($latest as $field) {
            $part->addOrderBy("$record.$field", 'DESC');
        }
        /** @var list<T> $records */
        $records = $part->getQuery()->getResult();

        return $this->with(
            array_map($state, $records), (int) $of->select("COUNT($record.id)")->getQuery()->getSingleScalarResult(),
        );
    }

    /**
     * @param list<array<string, mixed>|object> $items
     *
     * @return array{items: list<array<string, mixed>|object>, page: int, pages: int, total: int}
     */
    public function with(array $items, int $total): array
    {
        return [
            'items' => $items,
            'page' => $this->number,
            'pages' => max(1, (int) ceil($total / self::SIZE)),
            'total' => $total,
        ];
    }
}
