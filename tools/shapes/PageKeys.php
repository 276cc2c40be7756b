<?php

declare(strict_types=1);

namespace KeenMargin\Tools\shapes;

use KeenMargin\Core\Document\Shape\Choice;
use KeenMargin\Core\Document\Shape\Shape;
use KeenMargin\Core\Document\Shape\ShapeKey;

/** What the page has to know of a shape's keys: plain controls, and which keys a named finish brings. */
final class PageKeys
{
    /** @param class-string $class */
    public static function typescript(string $class): string
    {
        $keys = Shape::of($class)->keys;
        $looks = array_filter($keys, static fn (ShapeKey $key): bool => !$key->key->isWords);
        $controls = array_values(array_filter(array_map(self::control(...), $keys)));
        $json = static fn (mixed $value): string => json_encode(
            $value, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_PRETTY_PRINT,
        );

        return "// Made by tools/shapes.php from the constructor of Finish.\n".
            "import type { PlainControl } from './PlainControl'\n\n".
            "/** Keys that only change the looks: what a named finish brings to a chart. */\n".
            "export const LOOKS = {$json(array_keys($looks))} as const\n\n".
            "/** Keys that have a plain control, in their order. */\n".
            "export const CONTROLS: PlainControl[] = {$json($controls)}\n";
    }

    /** @return ?array<string, mixed> null: it has none, or one of its own */
    private static function control(ShapeKey $key): ?array
    {
        $control = $key->control();
        if (null === $control) {
            return null;
        }
        $common = ['key' => $key->name, 'ofKinds' => $key->key->ofKinds];
        if (!$control instanceof Choice) {
            $overTime = $control->overTime ?? $control->text;

            return [...$common, 'usual' => $key->default, 'text' => $control->text, 'overTime' => $overTime];
        }
        $usual = $key->default instanceof \BackedEnum ? $key->default->value : $key->default ?? '';
        $choices = [];
        foreach ($control->words as $value => $words) {
            $choices[] = [(string) $value, $words];
        }

        return [
            ...$common, 'usual' => $usual, 'label' => $control->label, 'isNumber' => 'int' === $key->type,
            'choices' => $choices,
        ];
    }
}
