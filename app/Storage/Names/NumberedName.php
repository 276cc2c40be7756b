<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names;

/**
 * A measure, breakdown or member by its number, as kept documents write it where a name stands elsewhere: `member#12`.
 * Names that stand for nothing are kept as they are; those that could be taken for a number bear an equals sign.
 */
final readonly class NumberedName
{
    private const PATTERN = '/^(measure|breakdown|member)#(\d{1,18})$/D';
    private const LITERAL = '=';

    public function __construct(public NameKind $kind, public int $id) {}

    /** @return ?self null: it is a name */
    public static function maybe(string $kept): ?self
    {
        return 1 === preg_match(self::PATTERN, $kept, $parts)
            ? new self(NameKind::from($parts[1]), (int) $parts[2])
            : null;
    }

    public function written(): string
    {
        return "{$this->kind->value}#$this->id";
    }

    /** A name that stands for nothing, as it is kept. */
    public static function literal(string $name): string
    {
        return str_starts_with($name, self::LITERAL) || null !== self::maybe($name) ? self::LITERAL.$name : $name;
    }

    /** The name that was kept as it is. */
    public static function name(string $kept): string
    {
        return str_starts_with($kept, self::LITERAL) ? substr($kept, \strlen(self::LITERAL)) : $kept;
    }

    /**
     * @param array<mixed> $document
     *
     * @return array<string, list<int>> numbers in it, by kind
     */
    public static function within(array $document): array
    {
        $found = [];
        $look = static function (mixed $text) use (&$found): void {
            $reference = \is_string($text) ? self::maybe($text) : null;
            null === $reference || ($found[$reference->kind->value][$reference->id] = $reference->id);
        };
        $walk = static function (array $part) use (&$walk, $look): void {
            foreach ($part as $key => $value) {
                $look($key);
                \is_array($value) ? $walk($value) : $look($value);
            }
        };
        $walk($document);

        return array_map(array_values(...), $found);
    }
}
