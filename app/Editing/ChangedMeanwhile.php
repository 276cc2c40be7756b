<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use KeenMargin\Core\Document\Wording;

/** Amounts that somebody else changed after they were read. */
final class ChangedMeanwhile extends \RuntimeException
{
    /** @param non-empty-list<array{row: string, period: string, label: string, was: string, is: string}> $cells */
    public function __construct(public readonly array $cells)
    {
        $text = static fn (string $amount): string => '' === $amount ? 'nothing' : $amount;
        $says = array_map(
            static fn (array $cell): string => implode(', ', array_filter([$cell['row'], $cell['label']])).
                ': '.
                $text($cell['was']).
                ' became '.
                $text($cell['is']),
            $cells,
        );
        parent::__construct(
            'Somebody changed this meanwhile. '.Wording::some($says, 3).'. Put yours on top, or keep theirs.',
        );
    }
}
