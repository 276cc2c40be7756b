<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Given;

use KeenMargin\App\Export\Slides\Package\Xml;

/** What the text of a shape says. */
final class TextOfBody
{
    /** @return string a line a paragraph */
    public static function of(string $body): string
    {
        preg_match_all('~<(?:\w+:)?p(?:\s[^>]*)?(?:/>|>(.*?)</(?:\w+:)?p>)~s', $body, $paragraphs);
        $lines = [];
        foreach ($paragraphs[1] as $paragraph) {
            preg_match_all('~<(?:\w+:)?t(?:\s[^>]*)?>(.*?)</(?:\w+:)?t>|<(?:\w+:)?br\b~s', $paragraph, $texts);
            $line = '';
            foreach ($texts[0] as $i => $whole) {
                $line .= 1 === preg_match('~^<(?:\w+:)?br\b~', $whole) ? "\v" : Xml::plain($texts[1][$i]);
            }
            $lines[] = $line;
        }

        return implode("\n", $lines);
    }
}
