<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Coverage;

/** Figures, a question, and what must come of it, worked out by hand. */
final readonly class Example
{
    /**
     * @param string $csv rows apart by a space, its cells by commas
     * @param array<string, mixed> $question
     * @param list<string> $lines among those of ToldWorkings
     * @param array<string, mixed> $mapping
     */
    public function __construct(
        private string $csv,
        public array $question,
        public array $lines,
        public string $kind = 'variance-tiers',
        public array $mapping = [],
    ) {}

    public function csv(): string
    {
        return str_replace(' ', "\n", $this->csv)."\n";
    }

    public function recipe(): string
    {
        $recipe = ['keenMargin' => 1, 'question' => (object) $this->question, 'kind' => $this->kind];

        return json_encode(
            $recipe + ([] === $this->mapping ? [] : ['figures' => $this->mapping]),
            \JSON_THROW_ON_ERROR,
        );
    }
}
