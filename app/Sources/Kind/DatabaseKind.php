<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception;
use KeenMargin\App\Sources\FetchFailed;
use KeenMargin\App\Sources\Kind\Engine\DatabaseSettings;
use KeenMargin\App\Sources\Kind\Engine\Engine;
use KeenMargin\App\Sources\Kind\Engine\MariaDb;
use KeenMargin\App\Sources\Kind\Engine\PostgreSql;
use KeenMargin\App\Sources\Kind\Engine\Sqlite;
use KeenMargin\App\Sources\Reach\AllowedFolders;
use KeenMargin\App\Sources\Reach\Reach;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Figures\Reading\Text\Limits;

/** A table or one SELECT of a database, read row by row into a file. */
final readonly class DatabaseKind implements SourceKind
{
    private const MOST_COLUMNS_OFFERED = 5_000;

    public function __construct(private Reach $reach, private AllowedFolders $folders) {}

    public function id(): string
    {
        return 'database';
    }

    public function settings(Given $given): array
    {
        return DatabaseSettings::read($given)->toArray();
    }

    public function place(array $settings): string
    {
        $told = DatabaseSettings::read(Given::kept($settings));
        $where = '' === $told->host ? $told->database : "$told->host/$told->database";

        return "$told->engine: $where".('' === $told->table ? '' : ", $told->table");
    }

    public function fetch(FetchRequest $request): Fetched
    {
        $told = DatabaseSettings::read($request->given());
        $parameters = $told->parameters($request->due->placeholders());
        $path = "$request->folder/fetched";
        $this->within($told, $request->secret, static function (Connection $connection, Engine $engine) use (
            $told,
            $parameters,
            $path,
            $request,
        ): void {
            $statement = '' === $told->table ? $told->query : 'SELECT * FROM '.self::quoted($connection, $told->table);
            $rows = new RowFile($path);
            foreach ($engine->read($connection, $statement, $parameters) as $block) {
                $rows->add($block);
                if ($rows->bytes() > Limits::BYTES) {
                    throw new FetchFailed('There is more than can be read. Ask for fewer columns or periods.');
                }
                if (null !== $request->firstRows && $rows->count() > $request->firstRows) {
                    break;
                }
            }
            $rows->close();
        });
        $what = '' === $told->table ? $told->database : $told->table;

        return new Fetched(
            path: $path,
            name: mb_substr(basename($what), 0, 180).' '.$request->due->period->key(),
            scope: json_encode([$told->toArray(), $parameters], \JSON_THROW_ON_ERROR),
            mapping: ['decimal' => '.'],
        );
    }

    /**
     * The tables of a database with their columns, to choose from.
     *
     * @param array<string, mixed> $settings
     *
     * @return array<string, list<string>> columns by table, with its schema where that is not the usual one
     *
     * @throws FetchFailed
     */
    public function tables(array $settings, ?string $secret): array
    {
        $told = DatabaseSettings::read(Given::kept($settings));
        $tables = [];
        $this->within($told, $secret, static function (Connection $connection, Engine $engine) use (&$tables): void {
            $left = self::MOST_COLUMNS_OFFERED;
            foreach ($engine->columns($connection) as [$schema, $table, $column]) {
                if (\is_string($schema) && \is_string($table) && \is_string($column) && $left-- > 0) {
                    $tables[\in_array($schema, ['', 'public'], true) ? $table : "$schema.$table"][] = $column;
                }
            }
        });

        return $tables;
    }

    /** @param \Closure(Connection, Engine): void $work */
    private function within(DatabaseSettings $told, ?string $secret, \Closure $work): void
    {
        $engine = match ($told->engine) {
            'postgresql' => new PostgreSql(),
            'mariadb' => new MariaDb(),
            default => new Sqlite(),
        };
        $address = 'sqlite' === $told->engine
            ? $this->folders->insist($told->database)
            : $this->reach->insist($told->host, $told->port);
        try {
            $connection = $engine->open($told, $address, $secret);
            $work($connection, $engine);
            $connection->close();
        } catch (Exception $e) {
            $says = $e->getPrevious()?->getMessage() ?? $e->getMessage();
            throw FetchFailed::because(
                'The database says: '.preg_replace('/^SQLSTATE\[\w+\](?: \[\w+\])?:?\s*/', '', $says), $secret,
            );
        }
    }

    private static function quoted(Connection $connection, string $table): string
    {
        return implode('.', array_map($connection->quoteSingleIdentifier(...), explode('.', $table)));
    }
}
