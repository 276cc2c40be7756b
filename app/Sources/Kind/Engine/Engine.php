<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind\Engine;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception;

/**
 * How one database system reads and nothing else. That a statement is one that reads is left to the system itself: it
 * stands where only a query may stand, within a transaction that may not write.
 */
interface Engine
{
    /** Seconds after which the system ends a statement, where it can. */
    public const LONGEST = 900;

    /**
     * @param string $address to connect to; of a file its path
     *
     * @throws Exception
     */
    public function open(DatabaseSettings $settings, string $address, ?string $secret): Connection;

    /**
     * @param array<string, string> $parameters by name
     *
     * @return \Generator<int, RowBlock> names of the columns first, then the rows, as they come
     *
     * @throws Exception
     */
    public function read(Connection $connection, string $query, array $parameters): \Generator;

    /**
     * @return iterable<list<mixed>> schema, table and column of what may be read, in their order; no schema: ''
     *
     * @throws Exception
     */
    public function columns(Connection $connection): iterable;
}
