<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind\Engine;

use Doctrine\DBAL\Result;

final class Names
{
    /** @return list<string> of the columns of a result */
    public static function of(Result $result): array
    {
        $names = [];
        for ($i = 0; $i < $result->columnCount(); ++$i) {
            $names[] = $result->getColumnName($i);
        }

        return $names;
    }
}
