<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Paint;

use KeenMargin\Core\Notation\Ink;

/** What a colour of a deck is for. The theme of the deck says which colour that is. */
enum ColourRole: string
{
    /** amounts and texts */
    case Ink = 'ink';
    /** what lies behind them */
    case Panel = 'panel';
    case Favourable = 'favourable';
    case Unfavourable = 'unfavourable';
    /** notes and time marks */
    case Accent = 'accent';
    /** bands and hairlines */
    case Pale = 'pale';

    /** The ink that has the role's very colour. */
    public function base(): Ink
    {
        return match ($this) {
            self::Ink => Ink::Ink,
            self::Panel => Ink::Panel,
            self::Favourable => Ink::Favourable,
            self::Unfavourable => Ink::Unfavourable,
            self::Accent => Ink::Accent,
            self::Pale => Ink::Band2,
        };
    }

    /** @param string $colours of a scene: `effect`, or `greys`, in which no colour tells anything */
    public static function of(Ink $ink, string $colours = 'effect'): self
    {
        $role = match ($ink) {
            Ink::Panel => self::Panel,
            Ink::Favourable, Ink::HatchFavourable, Ink::FavourableText => self::Favourable,
            Ink::Unfavourable, Ink::HatchUnfavourable, Ink::UnfavourableText => self::Unfavourable,
            // A value that misses its target: what is unfavourable, nearly without its hue.
            Ink::Missed, Ink::HatchMissed => self::Unfavourable,
            Ink::Accent, Ink::AccentTint => self::Accent,
            Ink::BandWorst, Ink::Band1, Ink::Band2, Ink::Band3, Ink::Band4, Ink::Paper, Ink::Hairline => self::Pale,
            Ink::Ink, Ink::HatchInk, Ink::Quiet, Ink::PriorYear, Ink::HatchPriorYear => self::Ink,
            Ink::Rise, Ink::HatchRise, Ink::Fall, Ink::HatchFall => self::Ink,
        };

        return 'greys' === $colours && !\in_array($role, [self::Panel, self::Pale], true) ? self::Ink : $role;
    }
}
