<?php

declare(strict_types=1);

namespace KeenMargin\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Where the year will land adds a row: it belongs to the question, and no longer to the finish. */
final class Version20261130000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Landing moves from the finish of a recipe to its question';
    }

    public function up(Schema $schema): void
    {
        foreach ($this->charts() as $id => $recipe) {
            $finish = \is_array($recipe['finish'] ?? null) ? $recipe['finish'] : [];
            if (!\array_key_exists('landing', $finish)) {
                continue;
            }
            $question = \is_array($recipe['question'] ?? null) ? $recipe['question'] : [];
            $recipe['question'] = true === $finish['landing'] ? [...$question, 'landing' => true] : $question;
            unset($finish['landing']);
            $this->keep($id, [
                ...array_diff_key($recipe, ['finish' => 1]),
                ...[] === $finish ? [] : ['finish' => $finish],
            ]);
        }
    }

    public function down(Schema $schema): void
    {
        foreach ($this->charts() as $id => $recipe) {
            $question = \is_array($recipe['question'] ?? null) ? $recipe['question'] : [];
            if (true !== ($question['landing'] ?? null)) {
                continue;
            }
            $finish = \is_array($recipe['finish'] ?? null) ? $recipe['finish'] : [];
            $recipe['question'] = array_diff_key($question, ['landing' => 1]);
            $recipe['finish'] = [...$finish, 'landing' => true];
            $this->keep($id, $recipe);
        }
    }

    /** @return array<int, array<mixed>> recipes by the number of their chart */
    private function charts(): array
    {
        $recipes = [];
        foreach ($this->connection->fetchAllKeyValue('SELECT id, recipe FROM chart') as $id => $json) {
            $recipe = \is_string($json) ? json_decode($json, true) : null;
            \is_array($recipe) && ($recipes[(int) $id] = $recipe);
        }

        return $recipes;
    }

    /** @param array<mixed> $recipe */
    private function keep(int $id, array $recipe): void
    {
        $json = json_encode($recipe, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
        $this->addSql('UPDATE chart SET recipe = ? WHERE id = ?', [$json, $id]);
    }
}
