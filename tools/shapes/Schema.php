<?php

declare(strict_types=1);

namespace KeenMargin\Tools\shapes;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Shape\NumberForm;
use KeenMargin\Core\Document\Shape\Shape;
use KeenMargin\Core\Document\Shape\ShapeKey;

/** The JSON schema of a shape. */
final readonly class Schema
{
    /** @param array<class-string, array<string, mixed>> $known schemas of values that have a form of their own */
    public function __construct(private array $known) {}

    /**
     * @param class-string $class
     *
     * @return array<string, mixed>
     */
    public function of(string $class): array
    {
        if (isset($this->known[$class])) {
            return $this->known[$class];
        }
        if (is_subclass_of($class, \BackedEnum::class)) {
            return ['enum' => array_column($class::cases(), 'value')];
        }
        $keys = Shape::of($class)->keys;
        $required = array_keys(array_filter($keys, static fn (ShapeKey $key): bool => $key->isRequired));

        return [
            'type' => 'object',
            'additionalProperties' => false,
            ...[] === $required ? [] : ['required' => $required],
            'properties' => array_map(fn (ShapeKey $key): array => $this->ofKey($key), $keys),
        ];
    }

    /** @return array<string, mixed> */
    private function ofKey(ShapeKey $key): array
    {
        $says = ['description' => $key->key->says];

        return $says + match (true) {
            'bool' === $key->type => ['type' => 'boolean'],
            'int' === $key->type => ['type' => 'integer', 'minimum' => $key->key->least, 'maximum' => $key->key->most],
            [] !== $key->key->oneOf => ['enum' => $key->key->oneOf],
            'string' === $key->type => [
                'type' => 'string', 'minLength' => 1, 'maxLength' => $key->key->most, 'pattern' => '\S',
            ],
            BigDecimal::class === $key->type => [
                '$ref' => NumberForm::Any === $key->key->number ? '#/$defs/number' : '#/$defs/size',
            ],
            null !== $key->key->items => ['type' => 'array', 'items' => $this->of($key->key->items)],
            class_exists($key->type) => $this->of($key->type),
            default => throw new \LogicException("There is no schema for $key->type."),
        };
    }
}
