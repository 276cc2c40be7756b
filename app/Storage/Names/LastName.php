<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names;

/** How something is called that is gone: `Sound, which was deleted`; of several of one name with a number. */
final readonly class LastName
{
    private const SAYS = ', which was deleted';

    /** @param positive-int $number which of those of the name that are gone, in the order in which they were made */
    public function __construct(public string $name, public int $number = 1) {}

    /** @return ?self null: it is the name of something that is there */
    public static function maybeOf(string $said): ?self
    {
        $pattern = '/^(.*)'.self::SAYS.'(?: \((\d{1,4})\))?$/Ds';

        return 1 === preg_match($pattern, $said, $parts) ? new self($parts[1], max(1, (int) ($parts[2] ?? 1))) : null;
    }

    public function said(): string
    {
        return $this->name.self::SAYS.(1 === $this->number ? '' : " ($this->number)");
    }
}
