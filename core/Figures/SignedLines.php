<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use KeenMargin\Core\Figures\Filter\MemberFilter;

/** Lines of a statement whose figures have to be turned round alike. */
final readonly class SignedLines
{
    /** @param array<string, array<string, true>> $negated measures and, within them, codes of the scenarios */
    public function __construct(public MemberFilter $filter, public array $negated) {}
}
