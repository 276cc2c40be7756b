<?php

declare(strict_types=1);

namespace KeenMargin\App\Import\Format;

use KeenMargin\Core\Figures\Reading\Table\RowSource;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\Refusal;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/** The objects of a file as rows. The keys of the first ones are the header, which counts as row 0. */
final readonly class JsonRows implements RowSource
{
    private const LOOKED_AT = 500;

    public function __construct(private string $path) {}

    /** @return \Generator<int, list<string>> */
    public function rows(int $after = -1): \Generator
    {
        $places = [];
        foreach ($this->objects() as $number => $object) {
            $places += $object;
            if (\count($places) > Limits::COLUMNS) {
                throw RefusedFigures::whole(\sprintf(
                    'The objects have more than %s different keys. This is not a table.',
                    number_format(Limits::COLUMNS),
                ));
            }
            if ($number >= self::LOOKED_AT) {
                break;
            }
        }
        $names = array_map(strval(...), array_keys($places));
        $places = array_flip($names);
        if ($after < 0) {
            yield 0 => $names;
        }
        foreach ($this->objects() as $number => $object) {
            $cells = array_fill(0, \count($names), '');
            foreach ($object as $key => $value) {
                $place =
                    $places[$key] ??
                    throw self::refused(
                        $number,
                        'it has the key "'.
                            mb_substr((string) $key, 0, 60).
                            '", which the first '.
                            self::LOOKED_AT.
                            ' lines do not have. Put it into one of them.',
                    );
                $cells[$place] = self::text($number, $value);
            }
            if ($number > $after) {
                yield $number => array_values($cells);
            }
        }
    }

    /** @return \Generator<int, array<string|int, mixed>> by line number */
    private function objects(): \Generator
    {
        $file = fopen($this->path, 'r');
        \assert(\is_resource($file));
        for ($number = 1; false !== ($line = stream_get_line($file, Limits::LINE, "\n")); ++$number) {
            $line = trim(1 === $number && str_starts_with($line, "\xEF\xBB\xBF") ? substr($line, 3) : $line);
            if ('' === $line) {
                continue;
            }
            // Numbers become texts first: a float would lose digits.
            $exact = preg_replace_callback(
                '/"(?:[^"\\\\]|\\\\.)*+"(*SKIP)(*FAIL)|-?\d+(?:\.\d+)?(?:[eE][+-]?\d+)?/', self::quoted(...), $line,
            );
            $object = json_decode($exact ?? '', true, 4);
            if (!\is_array($object) || (array_is_list($object) && [] !== $object)) {
                throw self::refused($number, 'it is not a JSON object. Give one object a line.');
            }
            yield $number => $object;
        }
        fclose($file);
    }

    /**
     * A number as a text; one with an exponent is written out. A text that looks like one, such as the code 1e5, stays
     * as it is.
     *
     * @param array<int, string> $number
     */
    private static function quoted(array $number): string
    {
        return '"'.(1 === preg_match('/[eE]/', $number[0]) ? PlainNumber::of($number[0]) : $number[0]).'"';
    }

    private static function text(int $number, mixed $value): string
    {
        return match (true) {
            \is_string($value) => str_replace("\0", '', $value),
            null === $value => '',
            \is_bool($value) => $value ? 'true' : 'false',
            default => throw self::refused(
                $number, 'a value is itself an object or a list. Give texts and numbers only.',
            ),
        };
    }

    private static function refused(int $number, string $reason): RefusedFigures
    {
        return RefusedFigures::rows([new Refusal($number, '', $reason)]);
    }
}
