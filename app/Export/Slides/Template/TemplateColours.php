<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Template;

use KeenMargin\App\Export\Slides\Package\Xml;
use KeenMargin\App\Export\Slides\Paint\ColourRole;
use KeenMargin\App\Export\Slides\Paint\Hsl;

/** The colours of a theme by the names that slides call them, and which of them plays which role. */
final readonly class TemplateColours
{
    private const SLOTS = [
        'bg1', 'tx1', 'bg2', 'tx2', 'accent1', 'accent2', 'accent3', 'accent4', 'accent5', 'accent6',
    ];
    /** Hues that readers know as good and as bad, in degrees. */
    private const GOOD = 150.0;
    private const BAD = 8.0;
    /** Lightness of what bands may be drawn in. */
    private const PALE = [0.7, 0.97];

    /** @param array<string, string> $colours `#rrggbb` by name */
    private function __construct(public array $colours) {}

    /**
     * @param string $theme XML of the theme
     * @param string $master XML of the master of slides, which says what the colours are called
     */
    public static function of(string $theme, string $master): self
    {
        $map = 1 === preg_match('~<(?:\w+:)?clrMap\b[^>]*>~', $master, $found) ? $found[0] : '';
        $colours = [];
        foreach (self::SLOTS as $slot) {
            $own = Xml::attribute($map, $slot) ?: [
                'bg1' => 'lt1',
                'tx1' => 'dk1',
                'bg2' => 'lt2',
                'tx2' => 'dk2',
            ][$slot] ?? $slot;
            $isTold = 1 === preg_match("~<(?:\\w+:)?$own>\\s*(<[^>]*>)~", $theme, $found);
            $colour = $isTold ? Xml::attribute($found[1], 'lastClr') ?: Xml::attribute($found[1], 'val') : '';
            $colours[$slot] = 1 === preg_match('/^[0-9A-Fa-f]{6}$/', $colour) ? "#$colour" : '#808080';
        }

        return new self($colours);
    }

    /** @return array<string, string> names of colours by role */
    public function guessed(): array
    {
        $good = $this->nearest(self::GOOD, []);
        $bad = $this->nearest(self::BAD, [$good]);

        return [
            ColourRole::Ink->value => 'tx1',
            ColourRole::Panel->value => 'bg1',
            ColourRole::Pale->value => $this->isPale('bg2') ? 'bg2' : 'bg1',
            ColourRole::Favourable->value => $good,
            ColourRole::Unfavourable->value => $bad,
            ColourRole::Accent->value => $this->nearest(300.0, [$good, $bad]),
        ];
    }

    /**
     * The accent whose hue is the nearest; grey ones are the last choice.
     *
     * @param list<string> $but which are taken already
     */
    private function nearest(float $hue, array $but): string
    {
        $best = 'accent1';
        $least = \INF;
        foreach (\array_slice(self::SLOTS, 4) as $slot) {
            $colour = Hsl::of($this->colours[$slot]);
            $apart = abs($colour->hue - $hue);
            $far = min($apart, 360.0 - $apart) + ($colour->saturation < 0.15 ? 360.0 : 0.0);
            if ($far < $least && !\in_array($slot, $but, true)) {
                [$best, $least] = [$slot, $far];
            }
        }

        return $best;
    }

    private function isPale(string $slot): bool
    {
        $lightness = Hsl::of($this->colours[$slot])->lightness;

        return $lightness >= self::PALE[0] && $lightness <= self::PALE[1];
    }
}
