<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Package;

/** What one part of a package refers to. */
final readonly class Relation
{
    /**
     * @param string $kind last word of its type: `slide`, `slideLayout`, `hyperlink`
     * @param string $target name of the part within the package; an address where it is outside
     */
    public function __construct(public string $kind, public string $target, public bool $isOutside = false) {}

    /** @return array<string, self> by id */
    public static function read(string $xml, string $from): array
    {
        preg_match_all('~<(?:\w+:)?Relationship\s[^>]*>~', $xml, $found);
        $relations = [];
        foreach ($found[0] as $one) {
            $isOutside = 'External' === Xml::attribute($one, 'TargetMode');
            $target = Xml::attribute($one, 'Target');
            $relations[Xml::attribute($one, 'Id')] = new self(
                basename(Xml::attribute($one, 'Type')),
                $isOutside ? $target : self::resolved($target, $from),
                $isOutside,
            );
        }

        return $relations;
    }

    /** As it is written under an id. */
    public function xml(string $id): string
    {
        $type = Relations::typeOf($this->kind);
        $target = Xml::text($this->isOutside ? $this->target : "/$this->target");
        $mode = $this->isOutside ? ' TargetMode="External"' : '';

        return "<Relationship Id=\"$id\" Type=\"$type\" Target=\"$target\"$mode/>";
    }

    /** `../slideLayouts/slideLayout1.xml` from `ppt/slides/slide1.xml` is `ppt/slideLayouts/slideLayout1.xml`. */
    private static function resolved(string $target, string $from): string
    {
        $folder = str_starts_with($target, '/') || '' === $from ? '' : \dirname($from).'/';
        $parts = [];
        foreach (explode('/', $folder.ltrim($target, '/')) as $part) {
            if ('..' === $part) {
                array_pop($parts);
            } elseif ('.' !== $part && '' !== $part) {
                $parts[] = $part;
            }
        }

        return implode('/', $parts);
    }
}
