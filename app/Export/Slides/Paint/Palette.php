<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Paint;

use KeenMargin\App\Export\Slides\Package\Xml;
use KeenMargin\Core\Notation\Ink;

/**
 * The inks of scenes in the colours of a theme: each refers to the colour that plays its role, lighter, darker or
 * duller by as much as in the notation. So another theme recolours the whole deck.
 */
final class Palette
{
    /** The colours of the deck's own theme, by role. */
    public const OWN = [
        'ink' => 'tx1',
        'panel' => 'bg1',
        'pale' => 'bg2',
        'favourable' => 'accent1',
        'unfavourable' => 'accent2',
        'accent' => 'accent3',
    ];
    private const WHOLE = 100_000;

    /** @var array<string, string> what was written before, by ink and colours */
    private array $known = [];

    /** @param array<string, string> $slots names of theme colours, by role */
    public function __construct(private readonly array $slots = self::OWN) {}

    /** `<a:schemeClr val="tx1"/>` */
    public function colour(Ink $ink, string $colours): string
    {
        return $this->known["$ink->value $colours"] ??= $this->made($ink, $colours);
    }

    public function fill(?Ink $ink, string $colours): string
    {
        return match (true) {
            null === $ink => '<a:noFill/>',
            $ink->isHatch() => '<a:pattFill prst="wdUpDiag"><a:fgClr>'.$this->colour($ink, $colours).
                '</a:fgClr><a:bgClr>'.$this->colour(Ink::Panel, $colours).'</a:bgClr></a:pattFill>',
            default => '<a:solidFill>'.$this->colour($ink, $colours).'</a:solidFill>',
        };
    }

    /**
     * @param float $thickness in points, as the lengths of $dash
     * @param list<float> $dash strokes and gaps in turn; none of a whole line
     */
    public function line(?Ink $ink, string $colours, float $thickness, array $dash = []): string
    {
        if (null === $ink) {
            return '<a:ln><a:noFill/></a:ln>';
        }
        $dashes = '';
        foreach (array_chunk($dash, 2) as $pair) {
            // In parts of the thickness.
            [$stroke, $gap] = [$pair[0] / $thickness, ($pair[1] ?? $pair[0]) / $thickness];
            $dashes .= '<a:ds d="'.(int) round($stroke * self::WHOLE).'" sp="'.(int) round($gap * self::WHOLE).'"/>';
        }

        return '<a:ln w="'.Xml::emu($thickness).'" cap="flat"><a:solidFill>'.$this->colour($ink, $colours).
            '</a:solidFill>'.('' === $dashes ? '' : "<a:custDash>$dashes</a:custDash>").
            '<a:miter lim="800000"/></a:ln>';
    }

    private function made(Ink $ink, string $colours): string
    {
        $role = ColourRole::of($ink, $colours);
        $slot = $this->slots[$role->value];
        $from = Hsl::of($role->base()->colour());
        $to = Hsl::of($ink->within($colours));
        $steps = [];
        if ($from->saturation > 0.0 && abs($to->saturation - $from->saturation) > 0.004) {
            $steps['satMod'] = $to->saturation / $from->saturation;
        }
        if ($to->lightness > $from->lightness + 0.002) {
            $steps['lumMod'] = (1.0 - $to->lightness) / (1.0 - $from->lightness);
            $steps['lumOff'] = 1.0 - $steps['lumMod'];
        } elseif ($to->lightness < $from->lightness - 0.002) {
            $steps['lumMod'] = $to->lightness / $from->lightness;
        }
        $written = '';
        foreach ($steps as $name => $share) {
            $written .= "<a:$name val=\"".(int) round($share * self::WHOLE).'"/>';
        }

        return '' === $written ? "<a:schemeClr val=\"$slot\"/>" : "<a:schemeClr val=\"$slot\">$written</a:schemeClr>";
    }
}
