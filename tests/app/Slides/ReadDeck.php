<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Slides;

use PHPUnit\Framework\Assert;

/** A deck as a test looks at it: its parts, and what stands on its slides. */
final class ReadDeck
{
    private const NAMES = [
        'a' => 'http://schemas.openxmlformats.org/drawingml/2006/main',
        'p' => 'http://schemas.openxmlformats.org/presentationml/2006/main',
        'r' => 'http://schemas.openxmlformats.org/officeDocument/2006/relationships',
        't' => 'http://schemas.openxmlformats.org/package/2006/content-types',
        's' => 'http://schemas.openxmlformats.org/package/2006/relationships',
    ];

    /** @var array<string, string> by name */
    public readonly array $parts;

    public function __construct(string $bytes)
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'deck');
        file_put_contents($path, $bytes);
        $zip = new \ZipArchive();
        Assert::assertTrue($zip->open($path), 'The deck is no archive.');
        $parts = [];
        for ($i = 0; $i < $zip->numFiles; ++$i) {
            $parts[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
        }
        $zip->close();
        unlink($path);
        $this->parts = $parts;
    }

    public function part(string $name): \DOMXPath
    {
        $document = new \DOMDocument();
        Assert::assertTrue($document->loadXML($this->parts[$name] ?? ''), "The part $name is no XML.");
        $path = new \DOMXPath($document);
        foreach (self::NAMES as $prefix => $name) {
            $path->registerNamespace($prefix, $name);
        }

        return $path;
    }

    /** @return list<string> names of the slides' parts, in order */
    public function slides(): array
    {
        $targets = [];
        foreach (self::found($this->part('ppt/_rels/presentation.xml.rels'), '//s:Relationship') as $one) {
            $targets[$one->getAttribute('Id')] = 'ppt/'.preg_replace('~^(/ppt/)?~', '', $one->getAttribute('Target'));
        }
        $slides = [];
        foreach (self::found($this->part('ppt/presentation.xml'), '//p:sldId') as $one) {
            $slides[] = $targets[$one->getAttributeNS(self::NAMES['r'], 'id')];
        }

        return $slides;
    }

    public function slide(int $number): \DOMXPath
    {
        return $this->part($this->slides()[$number - 1]);
    }

    /** @return list<\DOMElement> */
    public static function found(\DOMXPath $path, string $query, ?\DOMNode $within = null): array
    {
        $nodes = $path->query($query, $within);
        $elements = [];
        foreach (false === $nodes ? [] : $nodes as $node) {
            if ($node instanceof \DOMElement) {
                $elements[] = $node;
            }
        }

        return $elements;
    }

    /** @return list<string> what attributes or texts say */
    public static function said(\DOMXPath $path, string $query, ?\DOMNode $within = null): array
    {
        $nodes = $path->query($query, $within);
        $said = [];
        foreach (false === $nodes ? [] : $nodes as $node) {
            \assert($node instanceof \DOMNode);
            $said[] = (string) $node->nodeValue;
        }

        return $said;
    }

    /**
     * Shapes of a slide that came from here.
     *
     * @return array<string, array{x: int, y: int, cx: int, cy: int, text: string, fill: string, id: string}> by key
     */
    public function ours(int $slide): array
    {
        $path = $this->slide($slide);
        $shapes = [];
        foreach (self::found($path, '//p:sp|//p:cxnSp') as $shape) {
            $name = self::said($path, './/p:cNvPr/@name', $shape)[0] ?? '';
            if (1 !== preg_match('/\[keen:([\w-]+\.[a-z0-9]+)/', $name, $found)) {
                continue;
            }
            $at = static fn (string $query): int => (int) (self::said($path, ".//a:xfrm/$query", $shape)[0] ?? 0);
            $fills = self::said($path, './p:spPr/a:solidFill//@val', $shape);
            $shapes[$found[1]] = [
                'x' => $at('a:off/@x'),
                'y' => $at('a:off/@y'),
                'cx' => $at('a:ext/@cx'),
                'cy' => $at('a:ext/@cy'),
                'text' => implode("\n", array_map(
                    static fn (\DOMElement $line): string => implode('', self::said($path, './/a:t', $line)),
                    self::found($path, './/a:p', $shape),
                )),
                'fill' => implode(' ', $fills),
                'id' => self::said($path, './/p:cNvPr/@id', $shape)[0] ?? '',
            ];
        }

        return $shapes;
    }
}
