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
    public function __construct(private readonly string $from)
    {
    }

    /** Where they are kept: `ppt/_rels/presentation.xml.rels` */
    public function name(): string
    {
        $folder = \dirname($this->from);

        return '' === $this->from ? '_rels/.rels' : "$folder/_rels/".basename($this->from).'.rels';
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

    private function add(string $type, string $target, bool $isOutside): string
    {
        $type = str_contains($type, ':') ? $type : self::OF_DOCUMENTS.$type;
        $one = ['type' => $type, 'target' => $target, 'isOutside' => $isOutside];
        $known = array_search($one, $this->all, true);
        if (false !== $known) {
            return (string) $known;
        }
        $id = 'rId'.(\count($this->all) + 1);
        $this->all[$id] = $one;

        return $id;
    }
}
