<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names;

/** What kept documents refer to by number. The value is the table that has its name. */
enum NameKind: string
{
    case Measure = 'measure';
    case Breakdown = 'breakdown';
    case Member = 'member';

    /** The column of what it belongs to: names are unique within that. */
    public function owner(): string
    {
        return self::Member === $this ? 'breakdown_id' : 'dataset_id';
    }
}
