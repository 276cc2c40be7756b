<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** The report of the demo, as it is met after `./keen demo`. */
final class DemoReportTest extends TestCase
{
    public function testJulyIsIssuedAndAugustHasTwoThingsToSettle(): void
    {
        $database = sys_get_temp_dir().'/keen-demo-'.bin2hex(random_bytes(4)).'.sqlite';
        $server = OwnServer::on($database, withDemo: true);
        try {
            $list = self::read("$server->base/api/reports");
            self::assertSame(1, $list->int('total'));
            $report = self::read("$server->base/api/reports/1");
            self::assertSame('2026-08', $report->text('closing', 'key'));
            self::assertFalse($report->at('closing', 'isPinned'));
            self::assertSame(['Jul 2026'], array_column((array) $report->at('issues'), 'closing'));
            self::assertCount(5, (array) $report->at('document', 'pages'));
            $settle = self::read("$server->base/api/reports/1/findings");
            self::assertSame(
                ['The message says 175; it is now 213.', 'Nothing stands in this block yet.'],
                array_column((array) $settle->at('findings'), 'says'),
            );
            self::assertContains('One scale for all that counts the same', (array) $settle->at('holds'));
        } finally {
            $server->end();
            array_map(unlink(...), glob("$database*") ?: []);
        }
    }

    private static function read(string $url): Answer
    {
        return new Answer(['HTTP/1.1 200 OK'], (string) file_get_contents($url));
    }
}
