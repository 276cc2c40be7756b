<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

/** Words of a question's sentence: plain ones, or a slot that can be changed. */
final readonly class SentencePart
{
    /**
     * @param ?string $slot what the words set: `measure`, `members:Route`; null: nothing
     * @param bool $isGuess whether they are taken from a name, and nobody has said it
     * @param list<self> $offers slots with nothing set, which have no place of their own in the sentence
     */
    public function __construct(
        public string $text,
        public ?string $slot = null,
        public bool $isGuess = false,
        public array $offers = [],
    ) {}

    /** @return array{text: string, slot?: string, isGuess?: true, offers?: list<array<string, mixed>>} */
    public function toArray(): array
    {
        return [
            'text' => $this->text,
            ...null === $this->slot ? [] : ['slot' => $this->slot],
            ...$this->isGuess ? ['isGuess' => true] : [],
            ...[] === $this->offers
                ? []
                : ['offers' => array_map(static fn (self $offer): array => $offer->toArray(), $this->offers)],
        ];
    }
}
