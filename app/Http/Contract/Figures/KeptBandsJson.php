<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Figures;

use OpenApi\Attributes as OA;

/** Bands that belong to a measure: for all its values or one member, from a period on. */
#[OA\Schema]
final readonly class KeptBandsJson implements \JsonSerializable
{
    public const OPTIONAL = ['names', 'from', 'field', 'member'];

    /**
     * @param list<string> $limits
     * @param ?list<string> $names
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $limits,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public ?array $names = null,
        #[OA\Property] public ?string $from = null,
        #[OA\Property] public ?string $field = null,
        #[OA\Property] public ?string $member = null,
    ) {}

    /** @return array<mixed> without what is left out */
    public function jsonSerialize(): array
    {
        return array_filter(get_object_vars($this), static fn (mixed $value): bool => null !== $value);
    }
}
