<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Part;

use KeenMargin\App\Export\Slides\Package\Xml;

/** What a deck says of itself: its title, whose it is, when it was made. */
final class Properties
{
    public const CORE = 'application/vnd.openxmlformats-package.core-properties+xml';
    public const CORE_RELATION =
        'http://schemas.openxmlformats.org/package/2006/relationships/metadata/core-properties';
    public const APP = 'application/vnd.openxmlformats-officedocument.extended-properties+xml';

    public static function core(string $title, string $organisation, \DateTimeImmutable $made): string
    {
        $at = $made->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z');

        return Xml::HEAD.'<cp:coreProperties '.
            'xmlns:cp="http://schemas.openxmlformats.org/package/2006/metadata/core-properties" '.
            'xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:dcterms="http://purl.org/dc/terms/" '.
            'xmlns:xsi="http://www.w3.org/2001/XMLSchema-instance"><dc:title>'.Xml::text($title).'</dc:title>'.
            '<dc:subject>'.Xml::text($organisation).'</dc:subject>'.
            "<dcterms:created xsi:type=\"dcterms:W3CDTF\">$at</dcterms:created>".
            "<dcterms:modified xsi:type=\"dcterms:W3CDTF\">$at</dcterms:modified></cp:coreProperties>";
    }

    public static function app(int $slides): string
    {
        return Xml::HEAD.'<Properties '.
            'xmlns="http://schemas.openxmlformats.org/officeDocument/2006/extended-properties">'.
            "<Application>Keen Margin</Application><Slides>$slides</Slides></Properties>";
    }
}
