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
            $finish = $recipe->finish ?? null;
            if (!($finish instanceof \stdClass) || !property_exists($finish, 'landing')) {
                continue;
            }
            if (true === $finish->landing) {
                $recipe->question->landing = true;
            }
            unset($finish->landing);
            $this->keep($id, $recipe);
        }
    }

    public function down(Schema $schema): void
    {
        foreach ($this->charts() as $id => $recipe) {
            if (true !== ($recipe->question->landing ?? null)) {
                continue;
            }
            unset($recipe->question->landing);
            $recipe->finish ??= new \stdClass();
            $recipe->finish->landing = true;
            $this->keep($id, $recipe);
        }
    }

    /**
     * @return array<int, \stdClass> recipes by the number of their chart; as objects, so that empty ones stay objects
     */
    private function charts(): array
    {
        $recipes = [];
        foreach ($this->connection->fetchAllKeyValue('SELECT id, recipe FROM chart') as $id => $json) {
            $recipe = \is_string($json) ? json_decode($json) : null;
            if ($recipe instanceof \stdClass && ($recipe->question ?? null) instanceof \stdClass) {
                $recipes[(int) $id] = $recipe;
            }
        }

        return $recipes;
    }

    private function keep(int $id, \stdClass $recipe): void
    {
        $json = json_encode($recipe, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
        $this->addSql('UPDATE chart SET recipe = ? WHERE id = ?', [$json, $id]);
    }
}
