<?php

declare(strict_types=1);

/*
 * Writes what is made of the shapes of documents: definitions in docs/recipe.schema.json, tables in docs/recipe.md
 * between two marks, and the keys that the page has controls for. Run by `npm run contract`; the test run fails where
 * the files differ.
 */

use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Tools\shapes\KeyTable;
use KeenMargin\Tools\shapes\PageKeys;
use KeenMargin\Tools\shapes\Schema;

require dirname(__DIR__).'/vendor/autoload.php';

$root = dirname(__DIR__);

$path = "$root/docs/recipe.schema.json";
$schema = json_decode((string) file_get_contents($path), false, 512, \JSON_THROW_ON_ERROR);
assert($schema instanceof stdClass && $schema->{'$defs'} instanceof stdClass);
$finish = (new Schema([RowKey::class => ['$ref' => '#/$defs/row']]))->of(Finish::class);
assert(is_array($finish['properties']));
foreach (Finish::FORMER as $key => $says) {
    $finish['properties'][$key] = ['description' => $says, 'deprecated' => true, 'type' => 'boolean'];
}
$schema->{'$defs'}->finish = $finish;
$flags = \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_THROW_ON_ERROR;
file_put_contents($path, (string) preg_replace('/^( +)\1/m', '$1', json_encode($schema, $flags))."\n");

$path = "$root/docs/recipe.md";
$marked = '/(<!-- keys of Finish -->\n\n).*?(\n<!-- end -->)/s';
$text = (string) file_get_contents($path);
1 === preg_match($marked, $text) || throw new LogicException("$path has no place for the keys of Finish.");
file_put_contents(
    $path,
    preg_replace_callback($marked, static fn (array $m): string => $m[1].KeyTable::of(Finish::class).$m[2], $text),
);

file_put_contents("$root/frontend/charts/finish/keys.ts", PageKeys::typescript(Finish::class));
