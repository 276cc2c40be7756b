<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Package;

/** What a part of a package refers to: other parts, and addresses outside. */
final class Relations
{
    private const NAMESPACE = 'http://schemas.openxmlformats.org/package/2006/relationships';
    private const OF_DOCUMENTS = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships/';

    /** @var array<string, array{type: string, target: string, isOutside: bool}> by id */
    private array $all = [];

    /** @param string $from name of the part; blank: the package itself */
    public function __construct(private readonly string $from) {}

    public function name(): string
    {
        return self::nameOf($this->from);
    }

    /**
     * @param string $type of office documents, such as `slide`, or a whole address
     * @param string $part name of the part within the package
     *
     * @return string id by which the part names it
     */
    public function to(string $type, string $part): string
    {
        return $this->add($type, '' === $this->from ? $part : "/$part", false);
    }

    /** @return string id */
    public function toAddress(string $address): string
    {
        return $this->add('hyperlink', $address, true);
    }

    public function xml(): string
    {
        $xml = new \XMLWriter();
        $xml->openMemory();
        $xml->startDocument('1.0', 'UTF-8', 'yes');
        $xml->startElementNs(null, 'Relationships', self::NAMESPACE);
        foreach ($this->all as $id => $one) {
            $xml->startElement('Relationship');
            $xml->writeAttribute('Id', (string) $id);
            $xml->writeAttribute('Type', $one['type']);
            $xml->writeAttribute('Target', $one['target']);
            $one['isOutside'] && $xml->writeAttribute('TargetMode', 'External');
            $xml->endElement();
        }
        $xml->endElement();
        $xml->endDocument();

        return $xml->outputMemory();
    }

    /** The whole address of a type: of office documents where it is one word. */
    public static function typeOf(string $type): string
    {
        return str_contains($type, ':') ? $type : self::OF_DOCUMENTS.$type;
    }

    /** Where the relations of a part are kept: `ppt/_rels/presentation.xml.rels`. */
    public static function nameOf(string $from): string
    {
        return '' === $from ? '_rels/.rels' : \dirname($from).'/_rels/'.basename($from).'.rels';
    }

    /** A part that holds no relations yet. */
    public static function empty(): string
    {
        return Xml::HEAD.'<Relationships xmlns="'.self::NAMESPACE.'"></Relationships>';
    }

    private function add(string $type, string $target, bool $isOutside): string
    {
        $one = ['type' => self::typeOf($type), 'target' => $target, 'isOutside' => $isOutside];
        $known = array_search($one, $this->all, true);
        if (false !== $known) {
            return (string) $known;
        }
        $id = 'rId'.(\count($this->all) + 1);
        $this->all[$id] = $one;

        return $id;
    }
}
