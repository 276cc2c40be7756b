<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Update;

use KeenMargin\App\Export\Slides\Package\Xml;
use KeenMargin\App\Export\Slides\Paint\ColourRole;
use KeenMargin\App\Export\Slides\Paint\Palette;
use KeenMargin\Core\Notation\Ink;

/** Tells whether a colour in a deck is the ink that was written, however the program that saved it writes it. */
final class InkForms
{
    /** Parts of 255 by which programs round. */
    private const NEAR = 6;

    private const SAYING = '~<(?:\w+:)?(pattFill|schemeClr|srgbClr|sysClr|lumMod|lumOff|shade|tint|alpha)\b[^>]*>~';

    /** @var array<string, bool> what was asked before */
    private array $known = [];

    public function __construct(private readonly Palette $palette) {}

    /**
     * @param ?Ink $ink that was written; null: none
     * @param string $written a fill, or a line, as it stands in the deck; blank: it says nothing
     */
    public function isInk(?Ink $ink, string $written): bool
    {
        return $this->known["$ink?->value $written"] ??= $this->looks($ink, self::form($written));
    }

    private function looks(?Ink $ink, string $form): bool
    {
        if (null === $ink) {
            return '' === $form;
        }
        foreach (['effect', 'greys'] as $colours) {
            $own = self::form($this->palette->fill($ink, $colours));
            $role = ColourRole::of($ink, $colours);
            $plain = 'srgbClr '.strtolower(ltrim($role->base()->colour(), '#'));
            $named = self::form($this->palette->colour($role->base(), 'effect'));
            $said = [$own, str_replace($named, $plain, $own)];
            if (\in_array($form, $said, true) || self::isNear($form, $ink->within($colours), $ink->isHatch())) {
                return true;
            }
        }

        return false;
    }

    /**
     * Elements and what they say, in order: `srgbClr 23272e`; blank where nothing is painted. Saturation is left out,
     * as some programs lose it.
     */
    private static function form(string $written): string
    {
        preg_match_all(self::SAYING, $written, $found);
        $parts = [];
        foreach ($found[0] as $i => $tag) {
            $says = Xml::attribute($tag, 'pattFill' === $found[1][$i] ? 'prst' : 'val');
            $parts[] = $found[1][$i].' '.strtolower($says);
        }
        $isOther = 1 === preg_match('~<(?:\w+:)?(gradFill|blipFill|grpFill)\b~', $written, $other);

        return $isOther ? $other[1] : implode(' ', $parts);
    }

    /** Whether it is a colour told by its parts that is nearly another; of a hatch its lines. */
    private static function isNear(string $form, string $colour, bool $isHatch): bool
    {
        $pattern = $isHatch ? '~^pattFill \w+ srgbClr ([0-9a-f]{6})\b~' : '~^srgbClr ([0-9a-f]{6})$~';
        if (1 !== preg_match($pattern, $form, $found)) {
            return false;
        }
        foreach (array_map(null, str_split($found[1], 2), str_split(ltrim($colour, '#'), 2)) as [$one, $other]) {
            if (abs(hexdec((string) $one) - hexdec((string) $other)) > self::NEAR) {
                return false;
            }
        }

        return true;
    }
}
