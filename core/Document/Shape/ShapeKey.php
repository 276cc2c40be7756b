<?php

declare(strict_types=1);

namespace KeenMargin\Core\Document\Shape;

/** One key of a shape: a parameter with its type, its default and what its Key says. */
final readonly class ShapeKey
{
    /**
     * @param string $type name of a class or of a built-in type, without null
     * @param mixed $default null where it is required, too
     */
    private function __construct(
        public string $name,
        public string $type,
        public Key $key,
        public bool $isRequired,
        public mixed $default,
        private \ReflectionParameter $parameter,
    ) {}

    /** @return array<string, self> by its name; none: the parameter has no Key */
    public static function ofParameter(\ReflectionParameter $parameter): array
    {
        $key = self::attribute($parameter, Key::class);
        $type = $parameter->getType();
        if (null === $key || !$type instanceof \ReflectionNamedType) {
            return [];
        }
        $isRequired = !$parameter->isDefaultValueAvailable();

        return [
            $parameter->name => new self(
                name: $parameter->name,
                type: $type->getName(),
                key: $key,
                isRequired: $isRequired,
                default: $isRequired ? null : $parameter->getDefaultValue(),
                parameter: $parameter,
            ),
        ];
    }

    /** Null: the page has another control for it, or none. */
    public function control(): Choice|Toggle|null
    {
        return self::attribute($this->parameter, Choice::class) ?? self::attribute($this->parameter, Toggle::class);
    }

    /**
     * @template A of object
     *
     * @param class-string<A> $class
     *
     * @return ?A
     */
    private static function attribute(\ReflectionParameter $parameter, string $class): ?object
    {
        $attributes = $parameter->getAttributes($class);

        return [] === $attributes ? null : $attributes[0]->newInstance();
    }
}
