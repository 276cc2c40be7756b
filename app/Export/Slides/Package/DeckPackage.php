<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Package;

use KeenMargin\App\Storage\Files\NotWritten;

/**
 * The parts of a deck by name, what each is, and how they refer to one another (Open Packaging Conventions, ECMA-376
 * part 2).
 */
final class DeckPackage
{
    private const CONTENT_TYPES = '[Content_Types].xml';
    private const CONTENT = 'http://schemas.openxmlformats.org/package/2006/content-types';
    /** Parts compress to a tenth in half the time of the default level. */
    private const LEVEL = 3;

    /** @var array<string, string> XML by name, `ppt/slides/slide1.xml` */
    private array $parts = [];
    /** @var array<string, string> content types by the name of the part */
    private array $types = [];
    /** @var array<string, Relations> by the name of the part that they start from */
    private array $relations = [];

    /** @param string $type its content type */
    public function add(string $name, string $type, string $xml): void
    {
        $this->parts[$name] = $xml;
        $this->types[$name] = $type;
    }

    /** What a part refers to; the package itself goes by a blank name. */
    public function relations(string $from = ''): Relations
    {
        return $this->relations[$from] ??= new Relations($from);
    }

    /**
     * The package as a file: the same parts, the same bytes.
     *
     * @throws NotWritten where there is no room for it on the disk
     */
    public function bytes(\DateTimeImmutable $made): string
    {
        $path = tempnam(sys_get_temp_dir(), 'keen-deck-');
        if (false === $path) {
            throw NotWritten::at(sys_get_temp_dir());
        }
        try {
            $this->write($path, $made->getTimestamp());

            return (string) file_get_contents($path);
        } finally {
            @unlink($path);
        }
    }

    private function write(string $path, int $time): void
    {
        $zip = new \ZipArchive();
        // An empty file is not opened as an archive.
        unlink($path);
        if (true !== $zip->open($path, \ZipArchive::CREATE)) {
            throw NotWritten::at($path);
        }
        $parts = [self::CONTENT_TYPES => $this->contentTypes()];
        foreach ($this->relations as $relations) {
            $parts[$relations->name()] = $relations->xml();
        }
        $size = 0;
        foreach ($parts + $this->parts as $name => $xml) {
            $zip->addFromString($name, $xml);
            $zip->setCompressionName($name, \ZipArchive::CM_DEFLATE, self::LEVEL);
            $zip->setMtimeName($name, $time);
            $size += \strlen($xml);
        }
        if (!@$zip->close()) {
            throw NotWritten::at($path, $size);
        }
    }

    private function contentTypes(): string
    {
        $xml = new \XMLWriter();
        $xml->openMemory();
        $xml->startDocument('1.0', 'UTF-8', 'yes');
        $xml->startElementNs(null, 'Types', self::CONTENT);
        $defaults = ['rels' => 'application/vnd.openxmlformats-package.relationships+xml', 'xml' => 'application/xml'];
        foreach ($defaults as $ending => $type) {
            $xml->startElement('Default');
            $xml->writeAttribute('Extension', $ending);
            $xml->writeAttribute('ContentType', $type);
            $xml->endElement();
        }
        foreach ($this->types as $name => $type) {
            $xml->startElement('Override');
            $xml->writeAttribute('PartName', "/$name");
            $xml->writeAttribute('ContentType', $type);
            $xml->endElement();
        }
        $xml->endElement();
        $xml->endDocument();

        return $xml->outputMemory();
    }
}
