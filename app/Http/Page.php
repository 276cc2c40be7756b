<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\BadRequestHttpException;

/** Which part of a list is asked for. */
final readonly class Page
{
    public const SIZE = 50;

    private function __construct(public int $number)
    {
    }

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
