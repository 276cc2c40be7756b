<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Charts;

use OpenApi\Attributes as OA;

/** Words of a sentence, or a slot of it. */
#[OA\Schema]
final readonly class SentencePartJson
{
    public const OPTIONAL = ['slot', 'isGuess', 'offers'];

    /**
     * @param ?list<SentenceOfferJson> $offers
     */
    public function __construct(
        #[OA\Property] public string $text,
        #[OA\Property] public ?string $slot = null,
        #[OA\Property(description: 'taken from a name, and nobody has said it')] public ?bool $isGuess = null,
        #[OA\Property(
            description: 'slots with nothing set, which have no place of their own in the sentence',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/SentenceOffer'),
        )]
        public ?array $offers = null,
    ) {}
}
