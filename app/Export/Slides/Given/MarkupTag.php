<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Given;

/** Where an element of XML begins or ends. */
final readonly class MarkupTag
{
    /** Elements that stand beside one another on a slide. Comments are passed over. */
    private const PATTERN =
        '~<!--.*?-->|<!\[CDATA\[.*?\]\]>|<(/?)(?:\w+:)?(spTree|grpSp|sp|cxnSp|pic|graphicFrame|contentPart|'.
        'AlternateContent)(?=[\s/>])(?:[^>"\']|"[^"]*"|\'[^\']*\')*?(/?)>~s';

    /**
     * @param string $kind local name of the element
     * @param int $start in bytes
     * @param int $end behind its last byte
     */
    private function __construct(
        public string $kind,
        public bool $isEnd,
        public bool $isEmpty,
        public int $start,
        public int $end,
    ) {}

    /** How many there are at least, without making any of them. */
    public static function count(string $xml): int
    {
        return (int) preg_match_all('~<(?:\w+:)?(?:sp|grpSp|cxnSp|pic|graphicFrame)(?=[\s/>])~', $xml);
    }

    /** @return list<self> in the order in which they are written */
    public static function all(string $xml): array
    {
        preg_match_all(self::PATTERN, $xml, $found, \PREG_SET_ORDER | \PREG_OFFSET_CAPTURE);
        $tags = [];
        foreach ($found as $one) {
            [$text, $at] = $one[0];
            if (isset($one[1], $one[2])) {
                $isEmpty = '/' === ($one[3][0] ?? '');
                $tags[] = new self($one[2][0], '/' === $one[1][0], $isEmpty, $at, $at + \strlen($text));
            }
        }

        return $tags;
    }
}
