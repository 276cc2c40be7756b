<?php

declare(strict_types=1);

/*
 * Prints who uses whom: `php tools/structure.php [--all]`. Fails, with exit code 1, where a rule of
 * docs/architecture.md does not hold:
 *
 * - each folder uses only those before it in its list;
 * - no two folders and no two files use each other, neither directly nor through others;
 * - no line is longer than 120 characters, no file of core or app longer than 400 lines;
 * - no two classes of core and app have the same name;
 * - the id of a kind stands only in its own folder.
 *
 * With --all also the arrows between folders, the files that are used most and those that use most.
 */

const COLUMNS = 120;
const LINES = 400;

/** The folders of the core, each of which may use those before it. Folders in Kind are on one level. */
const CORE = [
    'Document', 'Document/Shape', 'Number', 'Time', 'Figures/Filter', 'Figures', 'Figures/Series', 'Figures/Keeping',
    'Figures/Checking', 'Figures/Reading/Text', 'Figures/Reading/Table', 'Figures/Reading/Mapping',
    'Figures/Reading/Guess', 'Figures/Reading/Totals', 'Figures/Reading/Rows', 'Figures/Arrival', 'Question/Part',
    'Question/Near', 'Question/Table', 'Question/Waterfall', 'Question/Finish', 'Question', 'Question/Fit',
    'Question/Document', 'Question/Names', 'Question/Sentence', 'Question/Typed', 'Question/Change',
    'Workings/Arithmetic', 'Workings/Result', 'Workings/Rows', 'Workings/Words', 'Workings/Checks',
    'Workings/Comparison', 'Workings/Near', 'Workings/Waterfall', 'Workings/About', 'Workings/Table', 'Scene',
    'Notation', 'Chart/Scale', 'Chart/Canvas', 'Chart/Part', 'Chart/Tier', 'Chart/Frame', 'Kind', 'Kind/*', 'Drawing',
    'Report/Text', 'Report/Block', 'Report', 'Report/Document', 'Report/Merging', 'Report/Drawing', 'Report/Layout',
    'Report/Settling', 'Report/Rolling', 'Report/Comparing', 'Render',
];
/** Folders of the core that use less than those before them. */
const ONLY = ['Render' => ['Scene', 'Notation'], 'Scene' => ['Document'], 'Document' => [], 'Number' => []];
const RECORDS = 'app/Storage/Record/';
/** Ids of kinds that are also keys of a question. */
const KEYS = ['bridge', 'progress'];
/** Tables that a tool makes. */
const MADE = ['advance-widths.php', 'fallback-widths.php'];

$root = dirname(__DIR__);
$isAll = in_array('--all', $argv, true);

/** @return array<string, string> code by path */
function code(string $root, string $folder, string $endings): array
{
    $code = [];
    $files = new RecursiveIteratorIterator(
        new RecursiveDirectoryIterator("$root/$folder", FilesystemIterator::SKIP_DOTS),
    );
    foreach ($files as $file) {
        $path = $file instanceof SplFileInfo ? substr($file->getPathname(), strlen($root) + 1) : '';
        if (1 === preg_match("/\\.($endings)$/", $path) && !in_array(basename($path), MADE, true)) {
            $code[$path] = (string) file_get_contents("$root/$path");
        }
    }
    ksort($code);

    return $code;
}

/**
 * @param array<string, string> $all
 *
 * @return list<string> paths of the PHP files that a PHP file uses, imported or beside it
 */
function usedByPhp(string $path, string $code, array $all): array
{
    $plain = (string) preg_replace(["#/\\*.*?\\*/|//[^\n]*#s", "/'(?:[^'\\\\]|\\\\.)*'/"], '', $code);
    preg_match_all('/^use KeenMargin\\\\(Core|App)\\\\([\w\\\\]+)(?: as \w+)?;/m', $plain, $imports, \PREG_SET_ORDER);
    $used = array_map(
        static fn (array $import): string => strtolower($import[1]).'/'.strtr($import[2], '\\', '/').'.php',
        $imports,
    );
    $folder = dirname($path);
    foreach ($all as $other => $names) {
        if (dirname($other) === $folder && $other !== $path) {
            $name = basename($other, '.php');
            $isClass = "(?<![\\w\$>:\\\\])$name(?:::|\\s+\\\$)";
            $isAfterWord = "\\b(?:new|instanceof|extends|implements|use)\\s+(?:\\w+, )*$name\\b";
            $isType = ": \\??$name\\b|[(|,?]\\s*$name\\b(?!\\()";
            if (1 === preg_match("/$isClass|$isAfterWord|$isType/", $plain)) {
                $used[] = $other;
            }
        }
    }

    return array_values(array_unique(array_filter($used, static fn (string $one): bool => isset($all[$one]))));
}

/**
 * @param array<string, string> $all
 *
 * @return list<string> paths of the files of the page that a file imports
 */
function usedByPage(string $path, string $code, array $all): array
{
    preg_match_all('/(?:from|import)\s*\(?[\'"](\.{1,2}\/[^\'"]+)[\'"]/', $code, $imports);
    $used = [];
    foreach ($imports[1] as $import) {
        $parts = [];
        foreach (explode('/', dirname($path).'/'.$import) as $part) {
            '..' === $part ? array_pop($parts) : '.' === $part || ($parts[] = $part);
        }
        $target = implode('/', $parts);
        foreach (['', '.ts', '.vue'] as $ending) {
            isset($all[$target.$ending]) && ($used[] = $target.$ending);
        }
    }

    return array_values(array_unique($used));
}

/**
 * Tarjan's strongly connected components of more than one member.
 *
 * @param array<string, list<string>> $uses
 *
 * @return list<list<string>>
 */
function circles(array $uses): array
{
    [$index, $low, $stack, $found, $next] = [[], [], [], [], 0];
    $visit = static function (string $one) use (&$visit, &$index, &$low, &$stack, &$found, &$next, $uses): void {
        $index[$one] = $low[$one] = $next++;
        $stack[$one] = true;
        foreach ($uses[$one] ?? [] as $other) {
            if (!isset($index[$other])) {
                $visit($other);
                $low[$one] = min($low[$one], $low[$other]);
            } elseif (isset($stack[$other])) {
                $low[$one] = min($low[$one], $index[$other]);
            }
        }
        if ($low[$one] === $index[$one]) {
            $circle = [];
            do {
                $last = (string) array_key_last($stack);
                unset($stack[$last]);
                $circle[] = $last;
            } while ($last !== $one);
            1 < count($circle) && ($found[] = $circle);
        }
    };
    foreach (array_keys($uses) as $one) {
        isset($index[$one]) || $visit((string) $one);
    }

    return $found;
}

/**
 * @param array<string, list<string>> $uses
 *
 * @return array<string, array<string, int>> arrows between folders, with their count
 */
function folders(array $uses): array
{
    $arrows = [];
    foreach ($uses as $file => $others) {
        foreach ($others as $other) {
            dirname($file) === dirname($other)
                || ($arrows[dirname($file)][dirname($other)] = 1 + ($arrows[dirname($file)][dirname($other)] ?? 0));
        }
    }

    return $arrows;
}

function orderOf(string $folder): int
{
    $place = array_search($folder, CORE, true);

    return false !== $place ? $place : (int) array_search(dirname($folder).'/*', CORE, true);
}

$wrong = [];
$php = [...code($root, 'core', 'php'), ...code($root, 'app', 'php')];
$page = array_filter(
    code($root, 'frontend', 'ts|vue'),
    static fn (string $path): bool => !str_ends_with($path, '.test.ts') && !str_contains($path, '/testing/'),
    \ARRAY_FILTER_USE_KEY,
);
$named = [];
foreach (array_keys($php) as $path) {
    $named[basename($path)][] = $path;
}
foreach ($named as $paths) {
    count($paths) > 1 && $wrong[] = 'Classes have one name: '.implode(', ', $paths);
}
foreach (['PHP' => $php, 'Page' => $page] as $what => $files) {
    $uses = [];
    foreach ($files as $path => $text) {
        $uses[$path] = 'PHP' === $what ? usedByPhp($path, $text, $files) : usedByPage($path, $text, $files);
    }
    $arrows = folders($uses);
    foreach (circles($uses) as $circle) {
        // Doctrine's two-sided associations name each other.
        if ([] === array_filter($circle, static fn (string $one): bool => !str_starts_with($one, RECORDS))) {
            continue;
        }
        $wrong[] = 'Files use each other: '.implode(' ⇄ ', $circle);
    }
    foreach (
        circles(array_map(static fn (array $to): array => array_map(strval(...), array_keys($to)), $arrows)) as $circle
    ) {
        $wrong[] = 'Folders use each other: '.implode(' ⇄ ', $circle);
    }
    foreach ($arrows as $from => $others) {
        foreach (array_keys($others) as $to) {
            [$isCore, $toCore] = [str_starts_with($from, 'core/'), str_starts_with($to, 'core/')];
            $names = [substr($from, 5), substr($to, 5)];
            if ($isCore && (!$toCore || orderOf($names[0]) <= orderOf($names[1]))) {
                $wrong[] = "$from uses $to, which stands after it";
            } elseif ($isCore && isset(ONLY[$names[0]]) && !in_array($names[1], ONLY[$names[0]], true)) {
                $wrong[] = "$from uses $to; it may use only: ".implode(', ', ONLY[$names[0]]);
            } elseif (str_starts_with($from, 'frontend/shared') && !str_starts_with($to, 'frontend/shared')) {
                $wrong[] = "$from uses $to; what is shared uses nothing of a view";
            }
        }
    }
    $in = array_count_values(array_merge(...array_values($uses)));
    $out = array_map(count(...), $uses);
    arsort($in);
    arsort($out);
    echo "$what: ",
    count($files),
    ' files, ',
    array_sum(array_map(static fn (string $text): int => substr_count($text, "\n"), $files)),
    ' lines, ',
    array_sum($out),
    " arrows\n";
    foreach ($isAll ? ['used by most' => $in, 'using most' => $out] : [] as $title => $counts) {
        echo "\n$title\n";
        foreach (array_slice($counts, 0, 20) as $path => $count) {
            echo str_pad((string) $count, 5, ' ', \STR_PAD_LEFT), "  $path\n";
        }
    }
    foreach ($isAll ? $arrows : [] as $from => $others) {
        arsort($others);
        echo "\n$from\n";
        foreach ($others as $to => $count) {
            echo str_pad((string) $count, 5, ' ', \STR_PAD_LEFT), "  $to\n";
        }
    }
}

$ids = [];
foreach (glob("$root/core/Kind/*/*.php") ?: [] as $file) {
    $text = (string) file_get_contents($file);
    if (1 === preg_match("/function id\\(\\): string\\s*{\\s*return '([\\w-]+)'/", $text, $id)) {
        $ids[$id[1]] = substr(dirname($file), strlen($root) + 1);
    }
}
foreach ([...$php, ...$page] as $path => $text) {
    foreach ($ids as $id => $folder) {
        $isKey = in_array($id, KEYS, true);
        if (!$isKey && dirname($path) !== $folder && 1 === preg_match("/['\"]{$id}['\"]/", $text)) {
            $wrong[] = "$path names the kind $id, which only $folder may";
        }
    }
    foreach (explode("\n", $text) as $i => $line) {
        mb_strlen($line) > COLUMNS && str_ends_with($path, '.php') && ($wrong[] = "$path:".($i + 1).' is too long');
    }
    if (str_ends_with($path, '.php') && substr_count($text, "\n") >= LINES) {
        $wrong[] = "$path has ".LINES.' lines or more; parts of it want names of their own';
    }
}
foreach (['tests', 'tools', 'migrations', 'public', 'bench', 'demo'] as $folder) {
    foreach (code($root, $folder, 'php') as $path => $text) {
        foreach (explode("\n", $text) as $i => $line) {
            mb_strlen($line) > COLUMNS && ($wrong[] = "$path:".($i + 1).' is too long');
        }
    }
}
echo "\n", [] === $wrong ? 'All rules hold.' : implode("\n", $wrong), "\n";
exit([] === $wrong ? 0 : 1);
