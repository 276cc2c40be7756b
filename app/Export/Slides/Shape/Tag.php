<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

/**
 * What the description of a shape says about where it is from, so that it is found again in a deck that was worked on
 * by hand: `[keen:block.shape;at=12.5,8,40,11;as=ink,none;says=1f0a…]`.
 */
final readonly class Tag
{
    private const PATTERN = '/\s*\[keen:([A-Za-z0-9_-]{1,60})(?:\.([a-z0-9]{1,8}))?((?:;[a-z]+=[^;\]]*)*)\]/';

    /**
     * @param string $block id of the block, or of the page
     * @param string $shape key of the shape within it; blank: the block itself
     * @param array<string, string> $facts how it was when it was written
     */
    public function __construct(public string $block, public string $shape = '', public array $facts = [])
    {
    }

    /** @param string $words what it shows, for whoever does not see it */
    public function after(string $words): string
    {
        $facts = '';
        foreach ($this->facts as $name => $fact) {
            $facts .= ";$name=".str_replace([';', ']'], ' ', $fact);
        }
        $key = '' === $this->shape ? $this->block : "$this->block.$this->shape";

        return trim("$words\n[keen:$key$facts]");
    }

    public static function maybeIn(string $description): ?self
    {
        if (1 !== preg_match(self::PATTERN, $description, $found)) {
            return null;
        }
        $facts = [];
        foreach (array_filter(explode(';', $found[3])) as $fact) {
            [$name, $value] = explode('=', $fact, 2);
            $facts[$name] = $value;
        }

        return new self($found[1], $found[2], $facts);
    }

    /** Six letters that stand for what a shape is. */
    public static function short(string $what): string
    {
        $letters = base_convert(substr(hash('xxh64', $what), 0, 12), 16, 36);

        return substr(str_pad($letters, 6, '0', \STR_PAD_LEFT), -6);
    }

    public static function frame(Frame $frame): string
    {
        $edges = [$frame->left, $frame->top, $frame->width, $frame->height];

        return implode(',', array_map(static fn (float $edge): string => (string) round($edge, 2), $edges));
    }

    /** @return ?Frame null where the fact is not there, or says something else */
    public function maybeFrame(string $fact): ?Frame
    {
        $edges = explode(',', $this->facts[$fact] ?? '');

        return 4 === \count($edges) && array_filter($edges, is_numeric(...)) === $edges
            ? new Frame(...array_map(floatval(...), $edges))
            : null;
    }
}
