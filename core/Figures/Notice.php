<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use KeenMargin\Core\Document\Wording;

/** Something that the reading of the figures found and every chart of them repeats as a check. */
final readonly class Notice
{
    private const NEW_MEMBERS = 'new-members';
    /** Members of a breakdown that it names. */
    private const MOST_MEMBERS = 40;

    /** @param array<string, list<string>> $members that it is about, by breakdown */
    public function __construct(
        public string $id,
        public bool $holds,
        public string $says,
        public array $members = [],
    ) {}

    /**
     * Whoever names a member for the first time may have misspelt another.
     *
     * @param array<string, list<string>> $new members by breakdown
     * @param string $file that brought them
     *
     * @return list<self>
     */
    public static function ofNewMembers(array $new, string $file): array
    {
        $says = [];
        foreach ($new as $breakdown => $members) {
            $says[] =
                Wording::some(array_map(static fn (string $member): string => "\"$member\"", $members), 4).
                " of $breakdown";
        }

        return [] === $says
            ? []
            : [new self(
                self::NEW_MEMBERS,
                false,
                'Seen for the first time in '.$file.': '.Wording::and($says),
                array_map(static fn (array $members): array => \array_slice($members, 0, self::MOST_MEMBERS), $new),
            )];
    }

    /** Whether it says something about the numbers of a chart; else it is about the dataset alone. */
    public function isOfCharts(): bool
    {
        return self::NEW_MEMBERS !== $this->id;
    }

    /** @return array{id: string, holds: bool, says: string, members?: array<string, list<string>>} */
    public function toArray(): array
    {
        return ['id' => $this->id, 'holds' => $this->holds, 'says' => $this->says] +
            ([] === $this->members ? [] : ['members' => $this->members]);
    }
}
