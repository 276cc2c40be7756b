<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Package;

use KeenMargin\App\Storage\Files\NotWritten;

/**
 * A deck that somebody gave, opened with care: nothing of it is believed before it was looked at. Parts can be
 * replaced; those that are not stay byte for byte.
 */
final class OpenedPackage
{
    private const COMPOUND = "\xD0\xCF\x11\xE0";
    private const ZIP = "PK\x03\x04";
    private const MOST_PARTS = 20_000;
    /** Bytes of one part of XML, and of all of them. */
    private const LARGEST_PART = 48_000_000;
    private const MOST_BYTES = 160_000_000;
    private const CONTENT_TYPES = '[Content_Types].xml';
    private const LEVEL = 3;

    /** @var array<string, ?string> XML by name; null: the part is gone */
    private array $changed = [];
    private int $read = 0;

    private function __construct(private readonly \ZipArchive $zip, private readonly string $path) {}

    /**
     * @param string $path of the file, which is not changed
     *
     * @throws DeckRefused
     */
    public static function open(string $path): self
    {
        $start = (string) @file_get_contents($path, false, null, 0, 4);
        if (self::COMPOUND === $start) {
            throw DeckRefused::isProtected();
        }
        $zip = new \ZipArchive();
        if (self::ZIP !== $start || true !== $zip->open($path, \ZipArchive::RDONLY)) {
            throw DeckRefused::isNone();
        }
        if ($zip->numFiles > self::MOST_PARTS) {
            throw DeckRefused::isTooLarge($zip->numFiles.' parts');
        }

        return new self($zip, $path);
    }

    /** @return list<string> names of all parts, as they are in the file */
    public function names(): array
    {
        $names = [];
        for ($i = 0; $i < $this->zip->numFiles; ++$i) {
            $names[] = (string) $this->zip->getNameIndex($i);
        }

        return $names;
    }

    public function has(string $name): bool
    {
        return \array_key_exists($name, $this->changed)
            ? null !== $this->changed[$name]
            : false !== $this->zip->locateName($name);
    }

    /**
     * A part that holds XML.
     *
     * @throws DeckRefused where it is not there, too large, or no XML without declarations
     */
    public function xml(string $name): string
    {
        if (isset($this->changed[$name])) {
            return $this->changed[$name];
        }
        $stat = $this->zip->statName($name);
        if (false === $stat) {
            throw DeckRefused::isBroken($name);
        }
        $this->read += $stat['size'];
        if ($stat['size'] > self::LARGEST_PART || $this->read > self::MOST_BYTES) {
            throw DeckRefused::isTooLarge(intdiv($this->read, 1_000_000).' MB of text');
        }
        $xml = @$this->zip->getFromName($name);
        if (!\is_string($xml) || \strlen($xml) !== $stat['size'] || '' === $xml) {
            throw DeckRefused::isBroken($name);
        }

        return self::insistOnXml($name, self::inUtf8($xml));
    }

    public function put(string $name, string $xml): void
    {
        $this->changed[$name] = $xml;
    }

    public function remove(string $name): void
    {
        $this->changed[$name] = null;
    }

    /** @return array<string, Relation> by id, of a part; of the package itself under a blank name */
    public function relations(string $from): array
    {
        $name = Relations::nameOf($from);

        return $this->has($name) ? Relation::read($this->xml($name), $from) : [];
    }

    /**
     * Adds a relation to those of a part.
     *
     * @return string its id
     */
    public function relate(string $from, Relation $relation): string
    {
        $known = $this->relations($from);
        foreach ($known as $id => $one) {
            if ($one == $relation) {
                return (string) $id;
            }
        }
        $id = 'rIdKeen'.(\count($known) + 1);
        while (isset($known[$id])) {
            $id .= 'a';
        }
        $name = Relations::nameOf($from);
        $xml = $this->has($name) ? $this->xml($name) : Relations::empty();
        // An empty list may be written in one tag.
        $xml = (string) preg_replace('~<((?:\w+:)?Relationships)\b([^>]*)/>~', '<$1$2></$1>', $xml);
        $this->put($name, (string) preg_replace('~</(?:\w+:)?Relationships>~', $relation->xml($id).'$0', $xml));

        return $id;
    }

    /** Takes a relation of a part away. */
    public function unrelate(string $from, string $id): void
    {
        $name = Relations::nameOf($from);
        $one = '~<(?:\w+:)?Relationship\s(?=[^>]*\bId="'.preg_quote($id, '~').'")[^>]*/>~';
        $this->put($name, (string) preg_replace($one, '', $this->xml($name)));
    }

    /** @return array<string, string> content types by the names of parts, those that are told one by one */
    public function types(): array
    {
        preg_match_all('~<(?:\w+:)?Override\b[^>]*>~', $this->xml(self::CONTENT_TYPES), $found);
        $types = [];
        foreach ($found[0] as $override) {
            $types[ltrim(Xml::attribute($override, 'PartName'), '/')] = Xml::attribute($override, 'ContentType');
        }

        return $types;
    }

    /** Gives all parts of a type another. */
    public function retype(string $from, string $to): void
    {
        $this->put(self::CONTENT_TYPES, str_replace("\"$from\"", "\"$to\"", $this->xml(self::CONTENT_TYPES)));
    }

    public function setType(string $name, string $type): void
    {
        if (!isset($this->types()[$name])) {
            $this->put(self::CONTENT_TYPES, (string) preg_replace(
                '~</(\w+:)?Types>~',
                '<$1Override PartName="/'.Xml::text($name)."\" ContentType=\"$type\"/></$1Types>",
                $this->xml(self::CONTENT_TYPES),
            ));
        }
    }

    /** Takes a part away, with its relations and its type. */
    public function drop(string $name): void
    {
        $this->remove($name);
        $this->has(Relations::nameOf($name)) && $this->remove(Relations::nameOf($name));
        $this->put(self::CONTENT_TYPES, (string) preg_replace(
            '~<(?:\w+:)?Override\b[^>]*\bPartName="/'.preg_quote($name, '~').'"[^>]*/>~',
            '',
            $this->xml(self::CONTENT_TYPES),
        ));
    }

    /**
     * The whole file with what was changed.
     *
     * @throws NotWritten where there is no room for it on the disk
     */
    public function bytes(): string
    {
        $path = tempnam(sys_get_temp_dir(), 'keen-deck-');
        if (false === $path || !@copy($this->path, $path)) {
            throw NotWritten::at(sys_get_temp_dir());
        }
        try {
            $zip = new \ZipArchive();
            $zip->open($path);
            foreach ($this->changed as $name => $xml) {
                if (null === $xml) {
                    $zip->deleteName($name);
                    continue;
                }
                $zip->addFromString($name, $xml, \ZipArchive::FL_OVERWRITE);
                $zip->setCompressionName($name, \ZipArchive::CM_DEFLATE, self::LEVEL);
            }
            if (!@$zip->close()) {
                throw NotWritten::at($path);
            }

            return (string) file_get_contents($path);
        } finally {
            @unlink($path);
        }
    }

    /** Some programs write it in 16 bits a letter. */
    private static function inUtf8(string $xml): string
    {
        $from = match (substr($xml, 0, 2)) {
            "\xFF\xFE" => 'UTF-16LE',
            "\xFE\xFF" => 'UTF-16BE',
            default => null,
        };
        if (null === $from) {
            return $xml;
        }
        $text = mb_convert_encoding(substr($xml, 2), 'UTF-8', $from);

        return str_ireplace('encoding="utf-16"', 'encoding="UTF-8"', $text);
    }

    /** @throws DeckRefused */
    private static function insistOnXml(string $name, string $xml): string
    {
        if (str_contains($xml, '<!DOCTYPE') || str_contains($xml, '<!ENTITY')) {
            throw DeckRefused::hasEntities($name);
        }
        $before = libxml_use_internal_errors(true);
        $reader = \XMLReader::XML($xml, null, \LIBXML_NONET | \LIBXML_PARSEHUGE | \LIBXML_COMPACT);
        while ($reader instanceof \XMLReader && $reader->read()) {
            continue;
        }
        $isWhole = $reader instanceof \XMLReader && [] === libxml_get_errors();
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if (!$isWhole) {
            throw DeckRefused::isBroken($name);
        }

        return $xml;
    }
}
