<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Part;

use KeenMargin\App\Export\Slides\Package\Xml;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;

/** Colours and fonts of a deck that has no template: those of the notation. */
final class Theme
{
    public const TYPE = 'application/vnd.openxmlformats-officedocument.theme+xml';

    public static function xml(): string
    {
        $colours = [
            'dk1' => Ink::Ink,
            'lt1' => Ink::Panel,
            'dk2' => Ink::Quiet,
            'lt2' => Ink::Band2,
            'accent1' => Ink::Favourable,
            'accent2' => Ink::Unfavourable,
            'accent3' => Ink::Accent,
            'accent4' => Ink::PriorYear,
            'accent5' => Ink::Rise,
            'accent6' => Ink::Missed,
            'hlink' => Ink::Accent,
            'folHlink' => Ink::Quiet,
        ];
        $scheme = '';
        foreach ($colours as $name => $ink) {
            $scheme .= "<a:$name><a:srgbClr val=\"".ltrim($ink->colour(), '#')."\"/></a:$name>";
        }

        return Xml::HEAD.'<a:theme xmlns:a="'.Xml::DRAWING.'" name="Keen Margin"><a:themeElements>'.
            "<a:clrScheme name=\"Keen Margin\">$scheme</a:clrScheme>".
            '<a:fontScheme name="Keen Margin">'.
            self::font('majorFont', Type::SERIF).
            self::font('minorFont', Type::SANS).
            '</a:fontScheme>'.
            self::formats().
            '</a:themeElements></a:theme>';
    }

    private static function font(string $element, string $family): string
    {
        return "<a:$element><a:latin typeface=\"$family\"/><a:ea typeface=\"\"/><a:cs typeface=\"\"/></a:$element>";
    }

    /** Three of each are required; nothing here uses them. */
    private static function formats(): string
    {
        $fill = '<a:solidFill><a:schemeClr val="phClr"/></a:solidFill>';
        $line = "<a:ln w=\"9525\">$fill</a:ln>";
        $effect = '<a:effectStyle><a:effectLst/></a:effectStyle>';

        return '<a:fmtScheme name="Keen Margin">'.
            '<a:fillStyleLst>'.str_repeat($fill, 3).'</a:fillStyleLst>'.
            '<a:lnStyleLst>'.str_repeat($line, 3).'</a:lnStyleLst>'.
            '<a:effectStyleLst>'.str_repeat($effect, 3).'</a:effectStyleLst>'.
            '<a:bgFillStyleLst>'.str_repeat($fill, 3).'</a:bgFillStyleLst>'.
            '</a:fmtScheme>';
    }
}
