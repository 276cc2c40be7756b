<?php

declare(strict_types=1);

namespace KeenMargin\Tests;

use PHPUnit\Framework\TestCase;

/** The rules between rooms: each room of the core may use those before it in this list, never those after. */
final class RoomsTest extends TestCase
{
    private const ROOMS = [
        'Document',
        'Number',
        'Time',
        'Figures',
        'Question',
        'Workings',
        'Scene',
        'Notation',
        'Chart',
        'Kind',
        'Drawing',
        'Render',
    ];
    private const COLUMNS = 120;
    private const LINES = 400;
    /** Tables that a tool makes. */
    private const MADE = ['advance-widths.php', 'fallback-widths.php'];
    /** Render gets a scene and the notation and nothing else. */
    private const ONLY = [
        'Render' => ['Scene', 'Notation'],
        'Scene' => [],
        'Document' => [],
        'Number' => [],
        'Time' => ['Document'],
    ];

    public function testEachRoomUsesOnlyThoseBeforeIt(): void
    {
        foreach (self::files('core') as $file => $code) {
            $room = explode('/', $file)[1];
            $allowed =
                self::ONLY[$room] ?? \array_slice(self::ROOMS, 0, (int) array_search($room, self::ROOMS, true));
            preg_match_all(
                '/KeenMargin\\\\Core\\\\(\w+)\\\\/',
                preg_replace('/^namespace .*$/m', '', $code) ?? '',
                $uses,
            );
            foreach (array_diff(array_unique($uses[1]), [$room]) as $used) {
                self::assertContains($used, $allowed, "$file uses the room $used");
            }
        }
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

    public function testNothingInTheApplicationComputesABusinessNumber(): void
    {
        foreach (self::files('app') as $file => $code) {
            self::assertDoesNotMatchRegularExpression('/->(plus|minus|multipliedBy|dividedBy)\(/', $code, $file);
        }
    }

    /** A folder that is used by another uses it in no way, neither itself nor through others. */
    public function testNoFoldersUseEachOther(): void
    {
        $uses = [];
        foreach ([...self::files('core'), ...self::files('app')] as $file => $code) {
            preg_match_all('/^use KeenMargin\\\\(Core|App)\\\\([\w\\\\]+)\\\\\w+;/m', $code, $found, \PREG_SET_ORDER);
            $own = \dirname($file);
            foreach ($found as [, $side, $folder]) {
                $used = strtolower($side).'/'.strtr($folder, '\\', '/');
                $used === $own || $uses[$own][$used] = true;
            }
        }
        foreach (array_keys($uses) as $folder) {
            self::assertNotContains($folder, self::reached($folder, $uses), "$folder is used by what it uses");
        }
    }

    /**
     * @param array<string, array<string, true>> $uses
     *
     * @return list<string> folders that a folder uses, itself or through others
     */
    private static function reached(string $folder, array $uses): array
    {
        $reached = [];
        $next = array_keys($uses[$folder] ?? []);
        while ([] !== $next) {
            $one = array_pop($next);
            if (!isset($reached[$one])) {
                $reached[$one] = true;
                array_push($next, ...array_keys($uses[$one] ?? []));
            }
        }

        return array_keys($reached);
    }

    public function testLinesCanBeRead(): void
    {
        foreach (['core', 'app', 'tests', 'tools', 'migrations', 'public', 'bench', 'demo'] as $folder) {
            foreach (self::files($folder) as $file => $code) {
                foreach (explode("\n", $code) as $i => $line) {
                    self::assertLessThanOrEqual(self::COLUMNS, mb_strlen($line), "$file:".($i + 1));
                }
            }
        }
    }

    public function testFilesStaySmall(): void
    {
        foreach ([...self::files('core'), ...self::files('app')] as $file => $code) {
            self::assertLessThan(
                self::LINES,
                substr_count($code, "\n"),
                "$file is long; parts of it want names of their own",
            );
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
            if (
                $file instanceof \SplFileInfo
                && 'php' === $file->getExtension()
                && !\in_array($file->getFilename(), self::MADE, true)
            ) {
                $files[substr($file->getPathname(), \strlen($root) + 1)] = (string) file_get_contents(
                    $file->getPathname(),
                );
            }
        }

        return $files;
    }
}
