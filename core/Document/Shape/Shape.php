<?php

declare(strict_types=1);

namespace KeenMargin\Core\Document\Shape;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;

/**
 * How a value class stands in a document: one key for each parameter of its constructor that has a Key. Reads, refuses
 * and writes by these; schema, tables and page controls are made from them (`tools/shapes.php`).
 *
 * @template T of object
 */
final class Shape
{
    /** @var array<class-string, self<object>> */
    private static array $known = [];

    /**
     * @param class-string<T> $class
     * @param array<string, ShapeKey> $keys by name, in the order of the constructor
     */
    private function __construct(private readonly string $class, public readonly array $keys) {}

    /**
     * @template C of object
     *
     * @param class-string<C> $class
     *
     * @return self<C>
     */
    public static function of(string $class): self
    {
        if (!isset(self::$known[$class])) {
            $keys = [];
            foreach ((new \ReflectionClass($class))->getConstructor()?->getParameters() ?? [] as $parameter) {
                $keys += ShapeKey::ofParameter($parameter);
            }
            self::$known[$class] = new self($class, $keys);
        }
        /** @var self<C> $shape */
        $shape = self::$known[$class];

        return $shape;
    }

    /**
     * @param array<class-string, \Closure(Given): object> $readers of values that have a form of their own
     * @param list<string> $former keys of older documents, which the caller reads
     *
     * @return T
     *
     * @throws NotAccepted
     */
    public function read(Given $given, array $readers = [], array $former = []): object
    {
        $given->object([...array_keys($this->keys), ...$former]);
        $values = [];
        foreach ($this->keys as $name => $key) {
            $value = $key->isRequired ? $given->must($name) : $given->maybe($name);
            if (null !== $value) {
                $values[$name] = self::part($key, $value, $readers);
            }
        }
        try {
            return new ($this->class)(...$values);
        } catch (NotAccepted $e) {
            throw $e->within($given->path);
        }
    }

    /**
     * @param T $value
     *
     * @return array<string, mixed> without what is as its default
     */
    public function write(object $value): array
    {
        $written = [];
        foreach (get_object_vars($value) as $name => $part) {
            $key = $this->keys[$name] ?? null;
            if (null !== $key && ($key->isRequired || $part !== $key->default)) {
                $written[$name] = self::written($part);
            }
        }

        return array_filter($written, static fn (mixed $part): bool => null !== $part && [] !== $part);
    }

    /**
     * @param array<class-string, \Closure(Given): object> $readers
     *
     * @throws NotAccepted
     */
    private static function part(ShapeKey $key, Given $given, array $readers): mixed
    {
        return match (true) {
            'bool' === $key->type => $given->bool(),
            'int' === $key->type => $given->int($key->key->least, $key->key->most),
            [] !== $key->key->oneOf => $given->oneOf($key->key->oneOf),
            'string' === $key->type => $given->string($key->key->most),
            BigDecimal::class === $key->type => self::number($key->key->number, $given),
            null !== $key->key->items => self::items($given, $key->key->items, $readers),
            default => self::value($given, $key->type, $readers),
        };
    }

    /** @throws NotAccepted */
    private static function number(NumberForm $form, Given $given): BigDecimal
    {
        if (NumberForm::Any === $form) {
            return $given->number();
        }
        $size = $given->size();

        return $size->isZero() ? throw $given->refuse('a percentage above zero') : $size;
    }

    /**
     * @param array<class-string, \Closure(Given): object> $readers
     *
     * @return list<object>
     *
     * @throws NotAccepted
     */
    private static function items(Given $given, string $class, array $readers): array
    {
        return array_map(static fn (Given $item): object => self::value($item, $class, $readers), $given->list());
    }

    /**
     * @param array<class-string, \Closure(Given): object> $readers
     *
     * @throws NotAccepted
     */
    private static function value(Given $given, string $class, array $readers): object
    {
        return match (true) {
            isset($readers[$class]) => $readers[$class]($given),
            is_subclass_of($class, \BackedEnum::class) => $given->enum($class),
            class_exists($class) => self::of($class)->read($given, $readers),
            default => throw new \LogicException("There is no way to read $class from a document."),
        };
    }

    private static function written(mixed $value): mixed
    {
        return match (true) {
            $value instanceof \BackedEnum => $value->value,
            $value instanceof BigDecimal => $value->toString(),
            $value instanceof ToJson => $value->toJson(),
            \is_array($value) => array_map(self::written(...), $value),
            \is_object($value) => self::of($value::class)->write($value),
            default => $value,
        };
    }
}
