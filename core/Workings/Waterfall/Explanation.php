<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Question\Question;

/** How few members of a breakdown explain most of a variance. */
final readonly class Explanation
{
    private const NAMED = 3;

    /**
     * @param string $breakdown by its name
     * @param list<string> $members that explain it, the largest first
     * @param non-negative-int $among members in all that differ or could
     * @param int $percent of the variance that they explain, rounded
     * @param float $weight members needed over those that chance would need; the less, the more it explains
     * @param Question $question the bridge by this breakdown
     */
    public function __construct(
        public string $breakdown,
        public array $members,
        public int $among,
        public int $percent,
        public float $weight,
        public Question $question,
    ) {}

    /** `2 of 6 routes explain 80 %: North, Outer` */
    public function says(): string
    {
        $count = \count($this->members);
        $level = $this->question->subtotals->isEmpty()
            ? Wording::plural(Wording::withinSentence($this->breakdown))
            : 'groups of '.Wording::plural(Wording::withinSentence($this->breakdown));
        $names = array_map(
            static fn (string $member): string => '' === $member ? '(blank)' : $member,
            \array_slice($this->members, 0, self::NAMED),
        );
        $more = $count > self::NAMED ? ' …' : '';

        return "$count of {$this->among} $level ".
            (1 === $count ? 'explains' : 'explain').
            ($this->percent > 100 ? ' more than all of it: ' : " {$this->percent} %: ").
            implode(', ', $names).
            $more;
    }
}
