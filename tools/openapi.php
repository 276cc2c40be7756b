<?php

declare(strict_types=1);

/*
 * Writes docs/openapi.json from the code: schemas from the classes of app/Http/Contract, operations from the Route and
 * Operation attributes of the controllers, recipes from docs/recipe.schema.json. Run by `npm run contract`, which also
 * makes frontend/shared/contract.ts of it; the test run fails where either differs from what is kept.
 */

use KeenMargin\App\Http\Contract\Operation;
use OpenApi\Generator;
use Symfony\Component\Routing\Attribute\Route;

require dirname(__DIR__).'/vendor/autoload.php';

$root = dirname(__DIR__);
$reference = static fn (string $name): array => ['$ref' => "#/components/schemas/$name"];

/** @return array<string, mixed> schema of a shape, as Operation has them */
function shape(string $shape): array
{
    $part = [];

    return match (true) {
        str_ends_with($shape, '[]') => ['type' => 'array', 'items' => shape(substr($shape, 0, -2))],
        ctype_digit($shape) => ['const' => $shape],
        str_contains($shape, '|') => ['enum' => explode('|', $shape)],
        1 === preg_match('/^integer (\d+)\.\.(\d*)$/', $shape, $part) => [
            'type' => 'integer',
            'minimum' => (int) $part[1],
            ...'' === $part[2] ? [] : ['maximum' => (int) $part[2]],
        ],
        in_array($shape, ['string', 'integer', 'boolean', 'object'], true) => ['type' => $shape],
        default => ['$ref' => "#/components/schemas/$shape"],
    };
}

/** @return array<string, mixed> of the shapes of several properties, by name; with `?` behind it one may be left out */
function objectOf(array $shapes): array
{
    $properties = $required = [];
    foreach ($shapes as $name => $shape) {
        $properties[rtrim($name, '?')] = shape($shape);
        str_ends_with($name, '?') || ($required[] = $name);
    }

    return [
        'type' => 'object',
        'additionalProperties' => false,
        'properties' => $properties,
        ...[] === $required ? [] : ['required' => $required],
    ];
}

/**
 * A schema as swagger-php has it, in the words of OpenAPI 3.1: null is a type, and what is not optional is required.
 *
 * @param list<string> $optional properties that are left out where there is nothing
 * @param bool $isTop whether it is a component of its own
 * @param list<string> $nullable those of the optional ones that may also be null
 */
function plain(array $schema, array $optional = [], bool $isTop = false, array $nullable = []): array
{
    if (true === ($schema['nullable'] ?? null)) {
        isset($schema['type']) && ($schema['type'] = array_unique([...(array) $schema['type'], 'null']));
        isset($schema['enum']) && ($schema['enum'] = [...$schema['enum'], null]);
    }
    unset($schema['nullable']);
    if (isset($schema['oneOf']) || isset($schema['$ref'])) {
        unset($schema['type'], $schema['items']);
    }
    if (isset($schema['oneOf'])) {
        // Null once: of the property's type and of what it may be.
        $schema['anyOf'] = array_values(array_unique($schema['oneOf'], \SORT_REGULAR));
        unset($schema['oneOf']);
    }
    if (in_array('null', (array) ($schema['type'] ?? []), true) && isset($schema['enum'])) {
        $schema['enum'] = array_values(array_unique([...$schema['enum'], null]));
    }
    foreach (['items', 'additionalProperties'] as $key) {
        is_array($schema[$key] ?? null) && [] !== $schema[$key] && ($schema[$key] = plain($schema[$key]));
    }
    foreach ($schema['properties'] ?? [] as $name => $property) {
        // Left out instead of null.
        $isOptional = in_array($name, $optional, true);
        $property = plain($property);
        if ($isOptional && !in_array($name, $nullable, true) && is_array($property['type'] ?? null)) {
            $types = array_values(array_diff($property['type'], ['null']));
            $property['type'] = 1 === count($types) ? $types[0] : $types;
            isset($property['enum']) && ($property['enum'] = array_values(array_diff($property['enum'], [null])));
        }
        $schema['properties'][$name] = $property;
    }
    if ($isTop && isset($schema['properties'])) {
        $schema['required'] = array_values(array_diff(array_keys($schema['properties']), $optional));
        $schema['additionalProperties'] = false;
    }

    return array_filter($schema, static fn (mixed $value): bool => [] !== $value);
}

$schemas = [
    'NameMap' => ['type' => 'object', 'additionalProperties' => ['type' => 'string']],
    'Scenario' => ['enum' => ['AC', 'BU', 'FC', 'TG', 'PY']],
];
$found = (new Generator())->setVersion('3.1.0')->generate(["$root/app/Http/Contract"], validate: false);
// The class DrawingJson is the schema Drawing.
$found = (string) preg_replace('/(\w)Json"/', '$1"', $found?->toJson() ?? '{}');
$document = json_decode($found, true, 512, \JSON_THROW_ON_ERROR);
foreach ($document['components']['schemas'] ?? [] as $name => $schema) {
    foreach (
        ['', 'Charts\\', 'Figures\\', 'Imports\\', 'Reports\\', 'Scene\\', 'Sources\\', 'Month\\', 'General\\'] as $area
    ) {
        $class = "KeenMargin\\App\\Http\\Contract\\$area{$name}Json";
        if (class_exists($class)) {
            $optional = defined("$class::OPTIONAL") ? (array) constant("$class::OPTIONAL") : [];
            $nullable = defined("$class::OPTIONAL_OR_NULL") ? (array) constant("$class::OPTIONAL_OR_NULL") : [];
            $schemas[$name] = plain($schema, [...$optional, ...$nullable], true, $nullable);
        }
    }
}
// Recipes, with their definitions beside the other schemas.
$recipe = json_decode((string) file_get_contents("$root/docs/recipe.schema.json"), true, 512, \JSON_THROW_ON_ERROR);
$names = [
    'question' => 'Question',
    'finish' => 'Finish',
    'row' => 'RowRef',
    'span' => 'Span',
    'scenario' => 'Scenario',
];
foreach ($recipe['$defs'] as $name => $definition) {
    $names[$name] ??= 'Recipe'.ucfirst($name);
}
$moved = static function (array $schema) use (&$moved, $names): array {
    foreach ($schema as $key => $value) {
        if ('$ref' === $key && is_string($value)) {
            $schema[$key] = '#/components/schemas/'.$names[substr($value, strlen('#/$defs/'))];
        } elseif (is_array($value)) {
            $schema[$key] = $moved($value);
        }
    }

    return $schema;
};
foreach ($recipe['$defs'] as $name => $definition) {
    $schemas[$names[$name]] = $moved($definition);
}
$schemas['Recipe'] = $moved(array_diff_key($recipe, ['$defs' => 1, '$schema' => 1, '$id' => 1, 'title' => 1]));
// What answers hold: numbers as texts, and whichever kind there is.
$schemas['Question']['properties']['where']['items'] = $reference('Filter');
$schemas['RecipeSize'] = ['type' => 'string'];
$schemas['RecipeNumber'] = ['type' => 'string'];
foreach (['target', 'goal'] as $key) {
    $target = &$schemas['Question']['properties'][$key]['oneOf'];
    $target = [
        ['type' => 'string'],
        ...array_filter($target, static fn (array $form): bool => 'object' === $form['type']),
    ];
    unset($target);
}
foreach ($schemas['Question']['properties']['bands']['oneOf'] as &$form) {
    foreach ($form['properties'] as &$list) {
        $list = ['type' => 'array', 'items' => ['type' => 'string']];
    }
}
unset($form, $list);
unset($schemas['Question']['properties']['against']['maxItems'], $schemas['Recipe']['properties']['kind']['enum']);
$schemas['Recipe']['properties']['kind']['type'] = 'string';
foreach (['Question', 'Recipe'] as $name) {
    unset($schemas[$name]['oneOf'], $schemas[$name]['allOf'], $schemas[$name]['anyOf']);
}
ksort($schemas);

$paths = [];
$files = [...glob("$root/app/Http/*Controller.php") ?: [], ...glob("$root/app/Http/*/*Controller.php") ?: []];
foreach ($files as $file) {
    $name = substr($file, strlen("$root/app/Http/"), -strlen('.php'));
    $class = new ReflectionClass('KeenMargin\\App\\Http\\'.strtr($name, '/', '\\'));
    $base = ($class->getAttributes(Route::class)[0] ?? null)?->newInstance();
    foreach ($class->getMethods() as $method) {
        $operation = ($method->getAttributes(Operation::class)[0] ?? null)?->newInstance();
        foreach (null === $operation ? [] : $method->getAttributes(Route::class) as $attribute) {
            $route = $attribute->newInstance();
            $path = ($base?->path ?? '').$route->path;
            foreach ($route->methods ?: $base?->methods ?: [] as $verb) {
                $paths[$path][strtolower($verb)] = described($operation, $path, [
                    ...$base?->requirements ?? [],
                    ...$route->requirements ?? [],
                ]);
            }
        }
    }
}
ksort($paths);

/** @param array<string, string> $requirements patterns of the path's parameters */
function described(Operation $operation, string $path, array $requirements): array
{
    $json = static fn (array $schema): array => ['content' => ['application/json' => ['schema' => $schema]]];
    $problem = ['content' => ['application/problem+json' => ['schema' => shape('Problem')]]];
    $parameters = [];
    preg_match_all('/{(\w+)}/', $path, $names);
    foreach ($names[1] as $name) {
        $pattern = $requirements[$name] ?? '';
        $parameters[] = [
            'name' => $name,
            'in' => 'path',
            'required' => true,
            'schema' => match (true) {
                1 === preg_match('/^[a-z|]+$/', $pattern) && 'format' === $name => ['enum' => explode('|', $pattern)],
                str_starts_with($pattern, '[0-9]') => ['type' => 'integer'],
                default => ['type' => 'string'],
            },
        ];
    }
    foreach ($operation->query as $name => $shape) {
        $parameters[] = ['name' => $name, 'in' => 'query', 'schema' => shape($shape)];
    }
    $operation->isForeseen && ($parameters[] = ['name' => 'foresee', 'in' => 'query', 'schema' => ['const' => '1']]);
    $operation->isVersioned
        && ($parameters[] = [
            'name' => 'If-Match',
            'in' => 'header',
            'required' => true,
            'description' => 'The version that the change is based on, in quotes',
            'schema' => ['type' => 'string'],
        ]);
    $operation->isSigned
        && ($parameters[] = [
            'name' => 'X-Signed',
            'in' => 'header',
            'description' => 'Who it was, encoded as in an address',
            'schema' => ['type' => 'string'],
        ]);
    $answer = $operation->answer;
    $content = [];
    if (null !== $answer) {
        $schema = str_starts_with($answer, 'page of ')
            ? objectOf([
                'items' => substr($answer, strlen('page of ')).'[]',
                'page' => 'integer',
                'pages' => 'integer',
                'total' => 'integer',
            ])
            : shape($answer);
        $content['application/json'] = [
            'schema' => $operation->isForeseen ? ['anyOf' => [$schema, shape('Follows')]] : $schema,
        ];
    }
    foreach ($operation->media as $media) {
        $content[$media] = ['schema' => ['type' => 'string']];
    }
    $body = is_string($operation->body) ? shape($operation->body) : objectOf($operation->body);
    $bodies = [] === $operation->body ? [] : ['application/json' => ['schema' => $body]];
    $operation->takesFile
        && ($bodies['multipart/form-data'] = [
            'schema' => [
                'type' => 'object',
                'required' => ['file'],
                'properties' => [
                    'file' => ['type' => 'string', 'contentMediaType' => 'application/octet-stream'],
                    'dataset' => ['type' => 'integer', 'description' => 'The one that the figures are meant for'],
                ],
            ],
        ]);

    return [
        'summary' => $operation->summary,
        ...[] === $parameters ? [] : ['parameters' => $parameters],
        ...[] === $bodies ? [] : ['requestBody' => ['required' => true, 'content' => $bodies]],
        'responses' => [
            $operation->status => [
                'description' => 204 === $operation->status ? 'Done' : 'The answer',
                ...[] === $content ? [] : ['content' => $content],
            ],
        ] +
            ($operation->isForeseen && 204 === $operation->status
                ? [200 => ['description' => 'What would follow'] + $json(shape('Follows'))]
                : []) +
            ($operation->isLong
                ? [
                    202 => ['description' => 'It takes longer: Location says where to ask for it'] +
                        $json(shape('Accepted')),
                ]
                : []) +
            ($operation->isVersioned
                ? [412 => ['description' => 'Based on a version that is not the last: `current` has that'] + $problem]
                : []) + ['4XX' => ['description' => 'Refused: what is wrong and what to do'] + $problem],
    ];
}

file_put_contents(
    "$root/docs/openapi.json",
    json_encode(
        [
            'openapi' => '3.1.0',
            'info' => [
                'title' => 'Keen Margin',
                'version' => '1',
                'description' => 'Datasets, questions and charts. Writes from pages of another origin are refused; '.
                    'errors are problem+json. Long work is accepted with 202 and a job. A 503 with isBusy was not '.
                    'carried out: another writer holds everybody up, the same request does in a moment. 507: the disk '.
                    'is full, nothing was changed.',
            ],
            'paths' => $paths,
            'components' => ['schemas' => $schemas],
        ],
        \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_THROW_ON_ERROR,
    )."\n",
);
