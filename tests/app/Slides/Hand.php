<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Slides;

/**
 * Somebody who works on a deck by hand, in one way after another: what was done is remembered, so that a test can see
 * whether it stayed.
 */
final class Hand
{
    private const POINT = 12_700;
    public const STRANGER =
        '<p:sp><p:nvSpPr><p:cNvPr id="9001" name="My remark" descr=\'Mine &amp; "only"\'/><p:cNvSpPr txBox="1"/>'.
        '<p:nvPr/></p:nvSpPr><p:spPr><a:xfrm><a:off x="100000" y="200000"/><a:ext cx="900000"  cy="300000"/></a:xfrm>'.
        '<a:prstGeom prst="rect"><a:avLst/></a:prstGeom></p:spPr><p:txBody><a:bodyPr/><a:lstStyle/><a:p><a:r>'.
        '<a:rPr lang="en-GB"/><a:t>Ask Ida</a:t></a:r></a:p></p:txBody></p:sp>';

    /** @var array<string, array{x: int, y: int}> by how far shapes were moved, by slide and key */
    public array $moved = [];
    /** @var array<string, string> colours, by slide and key */
    public array $coloured = [];
    /** @var array<string, string> words, by slide and key */
    public array $reworded = [];
    /** @var array<string, true> by slide and key */
    public array $deleted = [];
    /** @var array<string, array{x: int, y: int, cx: int, cy: int}> frames of blocks that were moved or resized */
    public array $blocks = [];
    /** @var array<int, string> what was put on slides */
    public array $added = [];

    /** @var array<string, string> XML of slides by part */
    private array $slides = [];
    private readonly ReadDeck $deck;

    public function __construct(private readonly string $bytes)
    {
        $this->deck = new ReadDeck($bytes);
        foreach ($this->deck->slides() as $part) {
            $this->slides[$part] = $this->deck->parts[$part];
        }
    }

    /** @return list<string> keys of single shapes on a slide, without areas and placeholders */
    public function keys(int $slide): array
    {
        $keys = array_keys($this->deck->ours($slide));

        return array_values(preg_grep('/\.(area|message|notes|text\d+)$/', $keys, \PREG_GREP_INVERT) ?: []);
    }

    /** @return list<string> keys of shapes that have a colour */
    public function filled(int $slide): array
    {
        return array_keys(array_filter(
            $this->deck->ours($slide),
            static fn (array $one): bool => '' !== $one['fill'] && '' === $one['text'],
        ));
    }

    public function move(int $slide, string $key, int $right, int $down): void
    {
        $this->moved["$slide $key"] = ['x' => $right * self::POINT, 'y' => $down * self::POINT];
        $this->change($slide, $key, static fn (string $shape): string => (string) preg_replace_callback(
            '~<a:off x="(-?\d+)" y="(-?\d+)"~',
            static fn (array $found): string => '<a:off x="'.((int) $found[1] + $right * self::POINT).'" y="'.
                ((int) $found[2] + $down * self::POINT).'"',
            $shape,
            1,
        ));
    }

    public function recolour(int $slide, string $key, string $colour = 'FF8800'): void
    {
        $this->coloured["$slide $key"] = $colour;
        $this->change($slide, $key, static fn (string $shape): string => (string) preg_replace(
            '~(<a:(?:prst|cust)Geom.*?</a:(?:prst|cust)Geom>)'.
                '<a:(solidFill|noFill|pattFill)\b[^>]*?(?:/>|>.*?</a:\2>)~s',
            "$1<a:solidFill><a:srgbClr val=\"$colour\"/></a:solidFill>",
            $shape,
            1,
        ));
    }

    public function reword(int $slide, string $key, string $words): void
    {
        $this->reworded["$slide $key"] = $words;
        $this->change($slide, $key, static fn (string $shape): string => (string) preg_replace(
            '~<a:t>[^<]*</a:t>~', "<a:t>$words</a:t>", $shape, 1,
        ));
    }

    public function delete(int $slide, string $key): void
    {
        $this->deleted["$slide $key"] = true;
        $this->change($slide, $key, static fn (): string => '');
    }

    /** As a program does that moves the group and leaves the places in it as they are told. */
    public function moveBlock(int $slide, string $block, int $right, int $down, float $size = 1.0): void
    {
        $part = $this->part($slide);
        $pattern =
            '~(<p:cNvPr id="\d+" name="[^"]*" descr="[^"]*\[keen:'.
            preg_quote($block, '~').
            '\]"/>.*?<a:xfrm>)<a:off x="(\d+)" y="(\d+)"/>'.
            '<a:ext cx="(\d+)" cy="(\d+)"/>~s';
        $this->slides[$part] = (string) preg_replace_callback($pattern, function (array $found) use (
            $block,
            $right,
            $down,
            $size,
            $slide,
        ): string {
            [$x, $y] = [(int) $found[2] + $right * self::POINT, (int) $found[3] + $down * self::POINT];
            [$width, $height] = [(int) round($size * (int) $found[4]), (int) round($size * (int) $found[5])];
            $area = $this->deck->ours($slide)["$block.area"];
            $this->blocks["$slide $block"] = [
                'x' => (int) round($x + $size * ($area['x'] - (int) $found[2])),
                'y' => (int) round($y + $size * ($area['y'] - (int) $found[3])),
                'cx' => (int) round($size * $area['cx']),
                'cy' => (int) round($size * $area['cy']),
            ];

            return "$found[1]<a:off x=\"$x\" y=\"$y\"/><a:ext cx=\"$width\" cy=\"$height\"/>";
        }, $this->slides[$part], 1);
    }

    public function deleteBlock(int $slide, string $block): void
    {
        $this->deleted["$slide $block"] = true;
        $this->slides[$this->part($slide)] = self::without($this->slides[$this->part($slide)], $block);
    }

    public function addRemark(int $slide): void
    {
        $this->added[$slide] = self::STRANGER;
        $part = $this->part($slide);
        $this->slides[$part] = str_replace('</p:spTree>', self::STRANGER.'</p:spTree>', $this->slides[$part]);
    }

    /** A chart is copied to another slide, where it stands at the same place. */
    public function copyBlock(int $from, string $block, int $to): void
    {
        $xml = self::groupOf($this->slides[$this->part($from)], $block);
        $id = 5_000;
        $numbered = static function (array $found) use (&$id): string {
            return $found[1].++$id;
        };
        $copy = (string) preg_replace_callback('~(<p:cNvPr id=")\d+~', $numbered, $xml);
        $part = $this->part($to);
        $this->slides[$part] = str_replace('</p:spTree>', "$copy</p:spTree>", $this->slides[$part]);
    }

    /** @param list<int> $order numbers of the slides as they were */
    public function deck(array $order = []): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'deck');
        file_put_contents($path, $this->bytes);
        $zip = new \ZipArchive();
        $zip->open($path);
        foreach ($this->slides as $part => $xml) {
            $zip->addFromString($part, $xml);
        }
        if ([] !== $order) {
            $presentation = (string) $zip->getFromName('ppt/presentation.xml');
            preg_match_all('~<p:sldId [^>]*/>~', $presentation, $found);
            $list = implode('', array_map(static fn (int $number): string => $found[0][$number - 1], $order));
            $zip->addFromString(
                'ppt/presentation.xml',
                (string) preg_replace('~(<p:sldIdLst>).*?(</p:sldIdLst>)~', "$1$list$2", $presentation),
            );
        }
        $zip->close();
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }

    private function part(int $slide): string
    {
        return $this->deck->slides()[$slide - 1];
    }

    /** @param callable(string): string $change of the XML of one shape */
    private function change(int $slide, string $key, callable $change): void
    {
        $part = $this->part($slide);
        $pattern =
            '#<p:(sp|cxnSp)><p:nv\w+><p:cNvPr id="\d+" name="[^"]*\[keen:'.
            preg_quote($key, '#').
            '[~\]](?:(?!</p:\1>).)*</p:\1>#s';
        $this->slides[$part] = (string) preg_replace_callback(
            $pattern,
            static fn (array $found): string => $change($found[0]),
            $this->slides[$part],
            1,
        );
    }

    private static function without(string $xml, string $block): string
    {
        return str_replace(self::groupOf($xml, $block), '', $xml);
    }

    /** The XML of the group that a block is. */
    private static function groupOf(string $xml, string $block): string
    {
        preg_match(
            '~<p:grpSp><p:nvGrpSpPr><p:cNvPr id="\d+" name="[^"]*" descr="[^"]*\[keen:'.
                preg_quote($block, '~').
                '\]"/>~',
            $xml,
            $found,
            \PREG_OFFSET_CAPTURE,
        );
        $start = $found[0][1] ?? 0;
        $depth = 0;
        preg_match_all('~</?p:grpSp>~', $xml, $tags, \PREG_OFFSET_CAPTURE, $start);
        foreach ($tags[0] as [$tag, $at]) {
            $depth += '<p:grpSp>' === $tag ? 1 : -1;
            if (0 === $depth) {
                return substr($xml, $start, $at + \strlen($tag) - $start);
            }
        }

        return '';
    }
}
