<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind\Engine;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;

/** Which database figures are in and what is read from it, as a source keeps it. */
final readonly class DatabaseSettings
{
    public const PORTS = ['postgresql' => 5432, 'mariadb' => 3306, 'sqlite' => 0];

    /**
     * @param string $engine key of PORTS
     * @param string $database its name; of SQLite the path of its file
     * @param string $table read whole; empty where there is a query
     * @param string $query one SELECT; may hold `:period`, `:from` and `:to`
     */
    private function __construct(
        public string $engine,
        public string $host,
        public int $port,
        public string $database,
        public string $user,
        public string $table,
        public string $query,
    ) {}

    /** @throws NotAccepted */
    public static function read(Given $given): self
    {
        $given->object(['engine', 'host', 'port', 'database', 'user', 'table', 'query']);
        $engine = $given->must('engine')->oneOf(array_keys(self::PORTS));
        $isFile = 'sqlite' === $engine;
        $table = $given->maybe('table')?->text(200) ?? '';
        $query = trim($given->maybe('query')?->text(20_000) ?? '');
        if (('' === $table) === ('' === $query)) {
            throw new NotAccepted('table', 'Give either a table or one SELECT statement.');
        }
        $host = $isFile ? '' : $given->must('host')->string(255);
        if (!$isFile && 1 !== preg_match('/^[A-Za-z0-9._:\[\]-]+$/D', $host)) {
            throw new NotAccepted('host', 'Give the name or address of a host, such as db.example.');
        }

        return new self(
            engine: $engine,
            host: $host,
            port: $isFile ? 0 : $given->maybe('port')?->int(1, 65_535) ?? self::PORTS[$engine],
            database: $given->must('database')->string(500),
            user: $isFile ? '' : $given->must('user')->string(200),
            table: $table,
            // One that ends a statement is habit; another statement behind it is refused by the database.
            query: rtrim($query, "; \n\r\t"),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(get_object_vars($this), static fn (mixed $value): bool => '' !== $value && 0 !== $value);
    }

    /**
     * The named parameters that the query has.
     *
     * @param array<string, string> $placeholders as Due has them
     *
     * @return array<string, string>
     */
    public function parameters(array $placeholders): array
    {
        $used = [];
        foreach ($placeholders as $name => $value) {
            $parameter = trim($name, '{}');
            if (1 === preg_match('/(?<![:\w]):'.$parameter.'\b/', $this->query)) {
                $used[$parameter] = $value;
            }
        }

        return $used;
    }
}
