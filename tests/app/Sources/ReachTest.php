<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Sources;

use KeenMargin\App\Sources\FetchFailed;
use KeenMargin\App\Sources\Kind\JsonAnswer;
use KeenMargin\App\Sources\Reach\AllowedFolders;
use KeenMargin\App\Sources\Reach\NotAllowed;
use KeenMargin\App\Sources\Reach\Reach;
use KeenMargin\App\Sources\Reach\WebClient;
use KeenMargin\App\Sources\Reach\WebUrl;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Where sources may reach. */
final class ReachTest extends TestCase
{
    private const SPECIAL = [
        '127.0.0.1', '127.8.9.1', '10.1.2.3', '172.16.0.1', '192.168.1.1', '169.254.169.254', '100.64.0.1', '0.0.0.0',
        '192.0.0.8', '198.18.0.1', '224.0.0.1', '255.255.255.255', '[::1]', '::', '[fe80::1]', 'fd00::1',
        '::ffff:127.0.0.1', '64:ff9b::7f00:1', 'ff02::1', '2002:7f00:1::',
    ];

    /** @return iterable<string, array{string}> */
    public static function special(): iterable
    {
        foreach (self::SPECIAL as $address) {
            yield $address => [$address];
        }
    }

    #[DataProvider('special')]
    public function testSpecialAddressesAreRefused(string $address): void
    {
        $this->expectException(NotAllowed::class);
        (new Reach('127.0.0.1:8050, [::1]:8050'))->insist($address, 80);
    }

    public function testPublicOnesAndThoseThatAreListedAreConnectedTo(): void
    {
        $reach = new Reach('127.0.0.1:8050, Ledger.Example:443', static fn (): array => ['10.0.0.7']);
        self::assertSame('93.184.216.34', $reach->insist('93.184.216.34', 80));
        self::assertSame('127.0.0.1', $reach->insist('127.0.0.1', 8050));
        self::assertSame('10.0.0.7', $reach->insist('ledger.example', 443));
        $this->expectExceptionMessage('KEEN_MAY_REACH="ledger.example:80"');
        $reach->insist('ledger.example', 80);
    }

    /** One private address among public ones is enough, and a name without an address is said. */
    public function testEveryAddressOfANameIsLookedAt(): void
    {
        try {
            (new Reach('', static fn (): array => ['93.184.216.34', '127.0.0.1']))->insist('two.example', 80);
            self::fail('It was accepted.');
        } catch (NotAllowed $e) {
            self::assertStringContainsString('127.0.0.1', $e->getMessage());
        }
        $this->expectException(FetchFailed::class);
        (new Reach('', static fn (): array => []))->insist('none.example', 80);
    }

    /** A name that is public when it is looked at and private when it is connected to is looked up once. */
    public function testWhatIsConnectedToIsWhatWasLookedAt(): void
    {
        $ledger = LedgerService::start();
        try {
            $asked = 0;
            $lookUp = static function () use (&$asked): array {
                return [['127.0.0.1'], ['203.0.113.9']][$asked++] ?? [];
            };
            $client = new WebClient(new Reach("rebinding.example:$ledger->port", $lookUp));
            $answer = $client->get("http://rebinding.example:$ledger->port/clock", [], []);
            self::assertSame([200, 1], [$answer->status, $asked]);
        } finally {
            $ledger->end();
        }
    }

    public function testFoldersAreThoseThatAreAllowedWithoutLinksOut(): void
    {
        $root = sys_get_temp_dir().'/keen-folders-'.bin2hex(random_bytes(4));
        mkdir("$root/share/deep", 0o700, true);
        mkdir("$root/shared");
        symlink('/etc', "$root/share/out");
        $folders = new AllowedFolders("$root/share:/nowhere");
        self::assertSame([realpath("$root/share")], $folders->all());
        self::assertSame(realpath("$root/share/deep"), $folders->insist("$root/share/deep/../deep"));
        foreach (
            ["$root/shared", "$root/share/..", "$root/share/out/passwd", '/etc/passwd', "$root/share/none"] as $path
        ) {
            try {
                $folders->insist($path);
                self::fail("$path was allowed.");
            } catch (NotAllowed $e) {
                self::assertStringContainsString($path, $e->getMessage());
            }
        }
        self::assertSame([], (new AllowedFolders(''))->all());
    }

    public function testLinksAreTakenAsBrowsersTakeThem(): void
    {
        $from = 'https://ledger.example/a/b?c=1';
        self::assertSame('https://ledger.example:443/x', WebUrl::absolute('/x', $from));
        self::assertSame('https://other.example/x', WebUrl::absolute('//other.example/x', $from));
        self::assertSame('https://ledger.example:443/a/x', WebUrl::absolute('x', $from));
        self::assertSame('https://ledger.example:443/a/b?page=2', WebUrl::absolute('?page=2', $from));
        self::assertSame('http://other.example/', WebUrl::absolute('http://other.example/', $from));
    }

    public function testRowsOfJsonKeepEveryDigit(): void
    {
        $json = '{"data": {"rows": [{"a": 12345678901234567.890, "b": "1e5 \"x\"", "c": {"d": null, "e": -0.10}}]}}';
        self::assertSame(
            ['{"a":12345678901234567.890,"b":"1e5 \"x\"","c.d":null,"c.e":-0.10}'],
            JsonAnswer::rows($json, 'data.rows'),
        );
        self::assertSame([], JsonAnswer::rows('[]', ''));
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function otherJson(): iterable
    {
        yield 'cut off' => ['{"rows": [{"a": 1}', 'rows', 'not JSON, or was cut off'];
        yield 'another path' => ['{"rows": []}', 'data', '"data" is not among rows'];
        yield 'no list' => ['{"rows": {"a": 1}}', 'rows', 'is not a list of rows'];
        yield 'no objects' => ['[[1, 2]]', '', 'Row 1 of the answer is not a JSON object'];
    }

    #[DataProvider('otherJson')]
    public function testOtherJsonIsRefusedWithWhatItHas(string $json, string $path, string $says): void
    {
        $this->expectExceptionMessage($says);
        JsonAnswer::rows($json, $path);
    }
}
