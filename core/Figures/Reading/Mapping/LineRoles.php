<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Mapping;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/**
 * What the lines of a statement do: `{"breakdown": "Line", "of": {"Fuel": "subtract", "Result": "subtotal"}}`. Lines
 * that are not named add.
 */
final readonly class LineRoles
{
    private const WORDS = [
        'add' => LineRole::Adds,
        'subtract' => LineRole::TakesAway,
        'subtotal' => LineRole::Subtotal,
    ];

    /** @param array<string|int, LineRole> $roles by line */
    public function __construct(public string $breakdown, public array $roles) {}

    /** @throws NotAccepted */
    public static function read(Given $given): self
    {
        $given->object(['breakdown', 'of']);
        $roles = array_map(
            static fn (Given $role): LineRole => self::WORDS[$role->oneOf(array_keys(self::WORDS))],
            $given->must('of')->entries(),
        );

        return new self($given->must('breakdown')->string(), $roles);
    }

    /** Null where no line of the breakdown takes away or is a subtotal, so that it is no statement. */
    public static function maybeOf(Breakdown $breakdown): ?self
    {
        $isPlain = [] === array_filter($breakdown->roles, static fn (LineRole $one): bool => LineRole::Adds !== $one);

        return $isPlain ? null : new self($breakdown->name, $breakdown->roles);
    }

    /** @return array<string, mixed> as read() reads it */
    public function toArray(): array
    {
        $word = static fn (LineRole $role): string => (string) array_search($role, self::WORDS, true);

        return ['breakdown' => $this->breakdown, 'of' => array_map($word, $this->roles)];
    }

    /**
     * @param list<string> $members of the breakdown
     *
     * @return array<string|int, LineRole> of all lines of the breakdown
     *
     * @throws RefusedFigures where a line is named that there is not
     */
    public function of(string $breakdown, array $members): array
    {
        if ($breakdown !== $this->breakdown) {
            return [];
        }
        foreach (array_keys($this->roles) as $line) {
            if (!\in_array((string) $line, $members, true)) {
                throw RefusedFigures::whole(
                    "\"lines\" names \"$line\", which {$this->breakdown} does not have. It has ".
                        implode(', ', \array_slice($members, 0, 12)).
                        '.',
                );
            }
        }

        return array_replace(array_fill_keys($members, LineRole::Adds), $this->roles);
    }
}
