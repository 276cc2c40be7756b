<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Slides;

use KeenMargin\App\Export\Slides\Deck;
use KeenMargin\App\Export\Slides\SlideContent;
use KeenMargin\Core\Report\Report;
use KeenMargin\Core\Report\Sheet;

/** A made-up template of an organisation: a coloured band, fonts and colours of its own, two layouts' worth of room. */
final class OwnTemplate
{
    private const BAND =
        '<p:sp><p:nvSpPr><p:cNvPr id="90" name="Band"/><p:cNvSpPr/><p:nvPr userDrawn="1"/></p:nvSpPr><p:spPr>'.
        '<a:xfrm><a:off x="0" y="0"/><a:ext cx="12192000" cy="300000"/></a:xfrm><a:prstGeom prst="rect"><a:avLst/>'.
        '</a:prstGeom><a:solidFill><a:schemeClr val="accent4"/></a:solidFill></p:spPr></p:sp>';

    /** @return string path of the file */
    public static function made(): string
    {
        $deck = new Deck(new Report('Template', Sheet::Wide), SampleReport::made());
        $deck->add(new SlideContent('p', 'A page', []), []);
        $path = (string) tempnam(sys_get_temp_dir(), 'template');
        file_put_contents($path, $deck->bytes());
        $theme = [
            '1F9E8F' => '0B6E4F',
            'B8370F' => 'C0392B',
            '6A2C5B' => '7D3C98',
            'A9ADB2' => '1B4F72',
            'IBM Plex Sans' => 'Liberation Sans',
            'IBM Plex Serif' => 'Liberation Serif',
        ];
        self::change($path, [
            'ppt/theme/theme1.xml' => static fn (string $xml): string => strtr($xml, $theme),
            'ppt/slideMasters/slideMaster1.xml' => static fn (string $xml): string => (string) preg_replace(
                '~(</p:grpSpPr>)~', '$1'.self::BAND, $xml, 1,
            ),
            'ppt/slideLayouts/slideLayout1.xml' => static fn (string $xml): string => str_replace(
                'name="Page with a margin"', 'name="Title and room"', $xml,
            ),
            'docProps/custom.xml' => static fn (string $xml): string => (string) preg_replace(
                '~<property.*</property>~s', '', $xml,
            ),
        ]);

        return $path;
    }

    /** @param array<string, callable(string): string> $changes by part */
    public static function change(string $path, array $changes): void
    {
        $zip = new \ZipArchive();
        $zip->open($path);
        foreach ($changes as $name => $change) {
            $zip->addFromString($name, $change((string) $zip->getFromName($name)));
        }
        $zip->close();
    }
}
