<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Reports;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use KeenMargin\App\Storage\Files\WholeFile;

/** The template that all slides are made in: there is one, or none. */
final readonly class TemplateStore
{
    private const ID = 1;

    public function __construct(private Connection $connection) {}

    /** Null where slides have no template. */
    public function maybe(): ?KeptTemplate
    {
        $row = $this->connection->fetchAssociative('SELECT name, digest, layout, roles FROM deck_template');
        if (false === $row) {
            return null;
        }
        $roles = json_decode(self::text($row['roles'] ?? ''), true);
        $told = [];
        foreach (\is_array($roles) ? $roles : [] as $role => $slot) {
            if (\is_string($slot)) {
                $told[(string) $role] = $slot;
            }
        }

        return new KeptTemplate(
            self::text($row['name'] ?? ''),
            self::text($row['digest'] ?? ''),
            self::text($row['layout'] ?? ''),
            $told,
        );
    }

    public function keep(KeptTemplate $template, string $bytes): void
    {
        $this->remove();
        $this->connection->insert(
            'deck_template',
            ['id' => self::ID, 'digest' => $template->digest, 'bytes' => $bytes] + self::told($template),
            ['bytes' => ParameterType::LARGE_OBJECT],
        );
    }

    /** Changes how it is used. */
    public function change(KeptTemplate $template): void
    {
        $this->connection->update('deck_template', self::told($template), ['id' => self::ID]);
    }

    public function remove(): void
    {
        $this->connection->executeStatement('DELETE FROM deck_template');
    }

    /** Writes its file where it is not there yet. */
    public function write(string $path): void
    {
        if (is_file($path)) {
            return;
        }
        $bytes = $this->connection->fetchOne('SELECT bytes FROM deck_template');
        WholeFile::write($path, \is_resource($bytes) ? (string) stream_get_contents($bytes) : self::text($bytes));
    }

    /** @return array<string, string> */
    private static function told(KeptTemplate $template): array
    {
        return [
            'name' => $template->name,
            'layout' => $template->layout,
            'roles' => json_encode($template->roles, \JSON_THROW_ON_ERROR | \JSON_FORCE_OBJECT),
        ];
    }

    private static function text(mixed $value): string
    {
        return \is_string($value) ? $value : '';
    }
}
