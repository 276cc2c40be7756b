<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Change;

/** One name that a dataset lacks, and what could stand in its place. */
final readonly class Ask
{
    private const FAR = 0.5;

    /**
     * @param list<string> $choices
     * @param bool $mayGo whether the question can do without it
     * @param string $without what is taken then
     * @param ?string $guess the nearest of the choices, where one is near
     */
    public function __construct(
        public string $id,
        public string $says,
        public array $choices,
        public bool $mayGo,
        public string $without,
        public ?string $guess,
    ) {}

    /** @param list<string> $choices */
    public static function nearest(string $name, array $choices): ?string
    {
        $near = null;
        $least = self::FAR;
        foreach ($choices as $choice) {
            $far = levenshtein(self::plain($name), self::plain($choice)) / max(1, \strlen($name), \strlen($choice));
            if ($far < $least) {
                [$near, $least] = [$choice, $far];
            }
        }

        return $near ?? (1 === \count($choices) ? $choices[0] : null);
    }

    /** @return array{id: string, says: string, choices: list<string>, mayGo: bool, without: string, guess: ?string} */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'says' => $this->says,
            'choices' => $this->choices,
            'mayGo' => $this->mayGo,
            'without' => $this->without,
            'guess' => $this->guess,
        ];
    }

    private static function plain(string $name): string
    {
        return substr(mb_strtolower($name), 0, 200);
    }
}
