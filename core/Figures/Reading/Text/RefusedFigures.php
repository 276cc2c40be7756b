<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

use KeenMargin\Core\Document\Wording;

/** Figures that cannot be taken as they are. Nothing of them is kept. */
final class RefusedFigures extends \InvalidArgumentException
{
    /** @param list<Refusal> $refusals none where the file as a whole is the trouble */
    private function __construct(string $message, public readonly array $refusals = [])
    {
        parent::__construct($message);
    }

    public static function whole(string $sentence): self
    {
        return new self($sentence);
    }

    /** @param non-empty-list<Refusal> $refusals */
    public static function rows(array $refusals): self
    {
        $more = \count($refusals) - 1;

        return new self(
            $refusals[0]->sentence().
                ($more > 0 ? ' '.Wording::count($more, 'more row is', 'more rows are').' refused.' : ''),
            $refusals,
        );
    }
}
