<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Imports;

use KeenMargin\Core\Document\Wording;

/** An import that stays: it was taken back before, or more than it would be lost unasked. */
final class NotTakenBack extends \RuntimeException
{
    public static function again(string $name): self
    {
        return new self("\"$name\" was taken back already.");
    }

    public static function unconfirmed(int $overwritten): self
    {
        return new self(self::overwritten($overwritten).' Send {"confirmed": true} to take the rest back.');
    }

    public static function overwritten(int $count): string
    {
        return Wording::count(
            $count,
            'figure of it was overwritten or removed by a later import and stays as it is.',
            'figures of it were overwritten or removed by later imports and stay as they are.',
        );
    }
}
