<?php

declare(strict_types=1);

namespace KeenMargin\Tests;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** The rules of docs/architecture.md about who uses whom and who computes. */
final class RoomsTest extends TestCase
{
    public function testNoRuleOfTheStructureIsBroken(): void
    {
        $check = new Process([\PHP_BINARY, \dirname(__DIR__).'/tools/structure.php']);
        self::assertSame(0, $check->run(), $check->getOutput());
        self::assertStringContainsString('All rules hold.', $check->getOutput());
    }

    public function testTheCoreKnowsOnlyItselfAndExactNumbers(): void
    {
        foreach (self::files('core') as $file => $code) {
            preg_match_all('/^use (?:function )?([\w\\\\]+)/m', $code, $uses);
            foreach ($uses[1] as $use) {
                self::assertMatchesRegularExpression('/^(KeenMargin\\\\Core|Brick\\\\Math)\\\\/', $use, $file);
            }
            self::assertDoesNotMatchRegularExpression(
                '/\b(fopen|file_put_contents|curl_init|mysqli|PDO|getenv|time\(\)|date\(|\$_SERVER|\$_GET|echo )/',
                $code,
                $file,
            );
        }
    }

    /** Neither by exact decimals nor by whole numbers that are amounts. */
    public function testNothingInTheApplicationComputesABusinessNumber(): void
    {
        foreach (self::files('app') as $file => $code) {
            self::assertDoesNotMatchRegularExpression('/->(plus|minus|multipliedBy|dividedBy)\(/', $code, $file);
            self::assertDoesNotMatchRegularExpression(
                '/\$\w*(?:amount|sum|total|value)s?\w*(?:\[[^\]]*\])?\s*[-+*]=?\s*\$\w*(?:amount|sum|total|value)/i',
                $code,
                $file,
            );
        }
    }

    public function testSqlStandsInTheStorageAlone(): void
    {
        foreach (self::files('app') as $file => $code) {
            // What kinds of source ask is the SQL of others' databases.
            if (!str_starts_with($file, 'app/Storage/') && !str_starts_with($file, 'app/Sources/Kind/')) {
                self::assertDoesNotMatchRegularExpression(
                    "/['\"](SELECT|INSERT INTO|UPDATE|DELETE FROM|WITH RECURSIVE)\\s/", $code, $file,
                );
            }
        }
    }

    /** @return array<string, string> code by path */
    private static function files(string $folder): array
    {
        $root = \dirname(__DIR__);
        $files = [];
        foreach (
            new \RecursiveIteratorIterator(
                new \RecursiveDirectoryIterator("$root/$folder", \FilesystemIterator::SKIP_DOTS),
            ) as $file
        ) {
            if ($file instanceof \SplFileInfo && 'php' === $file->getExtension()) {
                $path = substr($file->getPathname(), \strlen($root) + 1);
                $files[$path] = (string) file_get_contents($file->getPathname());
            }
        }

        return $files;
    }
}
