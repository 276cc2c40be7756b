<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Part;

use KeenMargin\App\Export\Slides\Package\Xml;

/**
 * What a deck remembers of what was written into it: which pages, which shapes of each block. So what was deleted by
 * hand is told from what is new. It is kept in custom properties of the document, as every program keeps those, in
 * pieces, as some keep short ones only.
 */
final class DeckMemory
{
    public const PART = 'docProps/custom.xml';
    public const TYPE = 'application/vnd.openxmlformats-officedocument.custom-properties+xml';
    public const RELATION = 'custom-properties';

    private const NAMESPACE = 'http://schemas.openxmlformats.org/officeDocument/2006/custom-properties';
    private const TYPES = 'http://schemas.openxmlformats.org/officeDocument/2006/docPropsVTypes';
    private const FORMAT_ID = '{D5CDD505-2E9C-101B-9397-08002B2CF9AE}';
    private const NAME = 'Keen Margin ';
    private const PIECE = 240;
    private const MOST_BYTES = 16_000_000;
    private const PROPERTY = '~<(?:\w+:)?property\b.*?</(?:\w+:)?property>~s';
    private const OWN = '~\bname="Keen Margin (\d+)".*?<(?:\w+:)?lpwstr>(.*?)</~s';

    /** How its template is used; null: it has none. */
    public ?DeckLook $look = null;
    /** @var array<string, array<string, BlockMemory>> by page and block; the page itself is one of them */
    private array $pages = [];

    /** @return list<string> ids of the pages that were written */
    public function pages(): array
    {
        return array_map(strval(...), array_keys($this->pages));
    }

    /** Null where nothing of it was written on the page. */
    public function maybeBlock(string $page, string $block): ?BlockMemory
    {
        return $this->pages[$page][$block] ?? null;
    }

    /** @return array<string, BlockMemory> by id, that of the page itself among them */
    public function blocks(string $page): array
    {
        return $this->pages[$page] ?? [];
    }

    /** Of a block that is remembered, or about to be. */
    public function block(string $page, string $block): BlockMemory
    {
        return $this->pages[$page][$block] ??= new BlockMemory();
    }

    /** @param string $others properties that stand in the part already, as they are written there */
    public function xml(string $others = ''): string
    {
        $pages = array_map(
            static fn (array $blocks): array => array_map(
                static fn (BlockMemory $one): array => $one->toArray(),
                $blocks,
            ),
            $this->pages,
        );
        $packed = base64_encode(
            (string) gzdeflate(
                json_encode(['pages' => $pages, 'look' => $this->look?->toArray()], \JSON_THROW_ON_ERROR), 9,
            ),
        );
        $properties = '';
        foreach (str_split($packed, self::PIECE) as $i => $piece) {
            $properties .= '<property name="'.self::NAME.($i + 1)."\"><vt:lpwstr>$piece</vt:lpwstr></property>";
        }
        // Ids begin with 2, and have to differ.
        $id = 1;
        $numbered = preg_replace_callback(
            '~<(?:\w+:)?property\b[^>]*?\bname=("[^"]*")[^>]*>~',
            static function (array $found) use (&$id): string {
                ++$id;

                return '<property fmtid="'.self::FORMAT_ID."\" pid=\"$id\" name=$found[1]>";
            },
            $others.$properties,
        );

        return Xml::HEAD.'<Properties xmlns="'.self::NAMESPACE.'" xmlns:vt="'.self::TYPES."\">$numbered</Properties>";
    }

    /** Of a part as it stands in a deck; empty where it says nothing of it, or what cannot be read. */
    public static function read(string $xml): self
    {
        $pieces = [];
        foreach (self::properties($xml) as $property) {
            if (1 === preg_match(self::OWN, $property, $found)) {
                $pieces[(int) $found[1]] = $found[2];
            }
        }
        ksort($pieces);
        $packed = base64_decode(implode('', $pieces), true);
        $json = false === $packed || '' === $packed ? '' : (string) @gzinflate($packed, self::MOST_BYTES);
        $memory = new self();
        $told = json_decode($json, true, 10);
        $told = \is_array($told) ? $told : [];
        $memory->look = DeckLook::maybe($told['look'] ?? null);
        $pages = $told['pages'] ?? [];
        foreach (\is_array($pages) ? $pages : [] as $page => $blocks) {
            foreach (\is_array($blocks) ? $blocks : [] as $block => $told) {
                $memory->pages[(string) $page][(string) $block] = BlockMemory::read($told);
            }
        }

        return $memory;
    }

    /** What else stands in the part, as it is written there. */
    public static function others(string $xml): string
    {
        $isOther = static fn (string $property): bool => 1 !== preg_match(self::OWN, $property);

        return implode('', array_filter(self::properties($xml), $isOther));
    }

    /** @return list<string> */
    private static function properties(string $xml): array
    {
        preg_match_all(self::PROPERTY, $xml, $found);

        return $found[0];
    }
}
