<?php

declare(strict_types=1);

namespace KeenMargin\Tools\shapes;

use KeenMargin\Core\Document\Shape\NumberForm;
use KeenMargin\Core\Document\Shape\Shape;
use KeenMargin\Core\Document\Shape\ShapeKey;

/** The keys of a shape as a table in Markdown: key, values, what holds where it is left out. */
final class KeyTable
{
    /** @param class-string $class */
    public static function of(string $class): string
    {
        $rows = array_map(
            static fn (ShapeKey $key): string => \sprintf(
                "| `%s` | %s | %s |\n", $key->name, self::values($key), self::leftOut($key),
            ),
            Shape::of($class)->keys,
        );

        return "| key | values | left out |\n|---|---|---|\n".implode('', $rows);
    }

    private static function values(ShapeKey $key): string
    {
        $accepted = match (true) {
            'bool' === $key->type => '',
            'int' === $key->type => "{$key->key->least} to {$key->key->most}",
            [] !== $key->key->oneOf => self::texts($key->key->oneOf),
            'string' === $key->type => 'a text',
            NumberForm::Percentage === $key->key->number => 'a number above zero in quotes',
            null !== $key->key->items => 'a list',
            is_subclass_of($key->type, \BackedEnum::class) => self::texts(array_column($key->type::cases(), 'value')),
            class_exists($key->type) && [] !== Shape::of($key->type)->keys => 'an object of '.
                implode(', ', array_map(
                    static fn (string $name): string => "`$name`", array_keys(Shape::of($key->type)->keys),
                )),
            default => '',
        };

        return '' === $accepted ? $key->key->says : "$accepted: {$key->key->says}";
    }

    private static function leftOut(ShapeKey $key): string
    {
        return $key->key->leftOut ?? match (true) {
            $key->default instanceof \BackedEnum => "`{$key->default->value}`",
            \is_bool($key->default) => $key->default ? '`true`' : '`false`',
            \is_int($key->default) => (string) $key->default,
            \is_string($key->default) => "`$key->default`",
            default => throw new \LogicException("Say what holds where $key->name is left out."),
        };
    }

    /** @param list<int|string> $texts */
    private static function texts(array $texts): string
    {
        return implode(' ', array_map(static fn (int|string $text): string => "`$text`", $texts));
    }
}
