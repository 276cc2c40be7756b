<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Slides;

use PHPUnit\Framework\Assert;

/**
 * Rules that every presentation keeps (ECMA-376 parts 1 and 2): parts have types, relations lead somewhere, ids are
 * unique, elements stand in the order of the schema.
 */
final class DeckRules
{
    private const REQUIRED = [
        '[Content_Types].xml', '_rels/.rels', 'ppt/presentation.xml', 'ppt/_rels/presentation.xml.rels',
    ];
    /** Children in the order of the schema, by element. */
    private const ORDER = [
        'p:presentation' => ['sldMasterIdLst', 'notesMasterIdLst', 'handoutMasterIdLst', 'sldIdLst', 'sldSz', 'notesSz',
            'embeddedFontLst', 'defaultTextStyle', 'modifyVerifier', 'extLst'],
        'p:sld' => ['cSld', 'clrMapOvr', 'transition', 'timing', 'extLst'],
        'p:sp' => ['nvSpPr', 'spPr', 'style', 'txBody', 'extLst'],
        'p:cxnSp' => ['nvCxnSpPr', 'spPr', 'style', 'extLst'],
        'p:spPr' => ['xfrm', 'custGeom', 'prstGeom', 'noFill', 'solidFill', 'gradFill', 'blipFill', 'pattFill',
            'grpFill', 'ln', 'effectLst', 'extLst'],
        'p:txBody' => ['bodyPr', 'lstStyle', 'p'],
        'a:ln' => ['noFill', 'solidFill', 'gradFill', 'pattFill', 'prstDash', 'custDash', 'round', 'bevel', 'miter'],
        'a:pPr' => ['lnSpc', 'spcBef', 'spcAft', 'buClr', 'buFont', 'buNone', 'buChar', 'tabLst', 'defRPr'],
        'a:rPr' => ['ln', 'noFill', 'solidFill', 'latin', 'ea', 'cs', 'hlinkClick'],
        'a:xfrm' => ['off', 'ext', 'chOff', 'chExt'],
        'a:pattFill' => ['fgClr', 'bgClr'],
        'p:sldMaster' => ['cSld', 'clrMap', 'sldLayoutIdLst', 'txStyles'],
        'a:themeElements' => ['clrScheme', 'fontScheme', 'fmtScheme'],
        'a:clrScheme' => ['dk1', 'lt1', 'dk2', 'lt2', 'accent1', 'accent2', 'accent3', 'accent4', 'accent5', 'accent6',
            'hlink', 'folHlink'],
    ];

    public static function assertKept(ReadDeck $deck): void
    {
        foreach (self::REQUIRED as $name) {
            Assert::assertArrayHasKey($name, $deck->parts);
        }
        self::assertTyped($deck);
        foreach (array_keys($deck->parts) as $name) {
            if (str_ends_with($name, '.rels')) {
                self::assertLeadsSomewhere($deck, $name);
            }
            if (1 === preg_match('~^ppt/(slides|slideLayouts|slideMasters|notesSlides)/[^/]+\.xml$~', $name)) {
                self::assertIdsAreUnique($deck, $name);
            }
            if (str_ends_with($name, '.xml')) {
                self::assertInOrder($deck, $name);
            }
        }
    }

    private static function assertTyped(ReadDeck $deck): void
    {
        $path = $deck->part('[Content_Types].xml');
        $defaults = ReadDeck::said($path, '//t:Default/@Extension');
        $overrides = ReadDeck::said($path, '//t:Override/@PartName');
        Assert::assertSame($overrides, array_values(array_unique($overrides)));
        foreach (array_keys($deck->parts) as $name) {
            $isTyped =
                \in_array("/$name", $overrides, true)
                || \in_array(pathinfo($name, \PATHINFO_EXTENSION), $defaults, true);
            Assert::assertTrue($isTyped || '[Content_Types].xml' === $name, "The part $name has no type.");
        }
        foreach ($overrides as $name) {
            Assert::assertArrayHasKey(ltrim($name, '/'), $deck->parts, 'A type is told of a part that is not there.');
        }
    }

    private static function assertLeadsSomewhere(ReadDeck $deck, string $name): void
    {
        $from = str_replace(['_rels/', '.rels'], '', $name);
        $path = $deck->part($name);
        $ids = ReadDeck::said($path, '//s:Relationship/@Id');
        Assert::assertSame($ids, array_values(array_unique($ids)), $name);
        foreach (ReadDeck::found($path, '//s:Relationship[not(@TargetMode="External")]') as $relation) {
            $target = $relation->getAttribute('Target');
            $folder = '' === trim($from, '/') ? '' : \dirname($from).'/';
            $whole = str_starts_with($target, '/') ? substr($target, 1) : "$folder$target";
            while (1 === preg_match('~[^/]+/\.\./~', $whole)) {
                $whole = (string) preg_replace('~[^/]+/\.\./~', '', $whole, 1);
            }
            Assert::assertArrayHasKey((string) preg_replace('~^\./~', '', $whole), $deck->parts, "$name: $target");
        }
        if ('' !== $from && isset($deck->parts[$from])) {
            preg_match_all('~\br:(?:id|embed|link)="([^"]+)"~', $deck->parts[$from], $used);
            foreach ($used[1] as $id) {
                Assert::assertContains($id, $ids, "$from refers to $id, which leads nowhere.");
            }
        }
    }

    private static function assertIdsAreUnique(ReadDeck $deck, string $name): void
    {
        $ids = ReadDeck::said($deck->part($name), '//p:cNvPr/@id');
        Assert::assertSame([], array_diff_key($ids, array_unique($ids)), "$name has shapes with the same id.");
    }

    private static function assertInOrder(ReadDeck $deck, string $name): void
    {
        $path = $deck->part($name);
        foreach (self::ORDER as $element => $order) {
            foreach (ReadDeck::found($path, "//$element") as $one) {
                $places = [];
                foreach ($one->childNodes as $child) {
                    if ($child instanceof \DOMElement) {
                        $place = array_search($child->localName, $order, true);
                        Assert::assertNotFalse($place, "$name: $child->nodeName in $element");
                        $places[] = $place;
                    }
                }
                $sorted = $places;
                sort($sorted);
                Assert::assertSame($sorted, $places, "$name: the order within $element");
            }
        }
    }
}
