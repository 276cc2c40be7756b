<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind;

use KeenMargin\App\Sources\FetchFailed;

/** Takes the rows out of a JSON answer and writes them as JSON lines. Numbers keep every digit that they came with. */
final class JsonAnswer
{
    /** Bytes of one answer, which is taken apart in memory; pages are for more. */
    public const MOST_BYTES = 20_000_000;
    private const DEPTH = 64;
    /** Numbers become texts that begin with this while the answer is taken apart: a float would lose digits. */
    private const NUMBER = "\u{E000}";

    /**
     * @param string $path keys with dots between them; empty: the answer is the list
     *
     * @return list<string> rows as JSON objects
     *
     * @throws FetchFailed
     */
    public static function rows(string $json, string $path): array
    {
        $value = json_decode(self::withTexts($json), true, self::DEPTH);
        if (null === $value) {
            throw new FetchFailed('The answer is not JSON, or was cut off.');
        }
        foreach ('' === $path ? [] : explode('.', $path) as $i => $key) {
            if (!\is_array($value) || !\array_key_exists($key, $value)) {
                $known = \is_array($value) ? implode(', ', \array_slice(array_keys($value), 0, 12)) : '';
                throw new FetchFailed(
                    "The answer has nothing at \"$path\": ".
                        ('' === $known ? "\"$key\" is not there." : "\"$key\" is not among $known."),
                );
            }
            $value = $value[$key];
        }
        if (!\is_array($value) || !array_is_list($value)) {
            throw new FetchFailed(
                '' === $path
                    ? 'The answer is not a list of rows. Say where in it they are, such as data.entries.'
                    : "What the answer has at \"$path\" is not a list of rows.",
            );
        }

        return array_map(self::row(...), $value, array_keys($value));
    }

    private static function withTexts(string $json): string
    {
        return (string) preg_replace(
            '/"(?:[^"\\\\]++|\\\\.)*+"(*SKIP)(*FAIL)|-?\d++(?:\.\d++)?(?:[eE][+-]?\d++)?/',
            '"'.self::NUMBER.'$0"',
            str_replace(self::NUMBER, '', $json),
        );
    }

    private static function row(mixed $row, int $number): string
    {
        if (!\is_array($row) || (array_is_list($row) && [] !== $row)) {
            throw new FetchFailed(
                'Row '.($number + 1).' of the answer is not a JSON object with a key for each column.',
            );
        }
        $line = json_encode(
            self::flat($row, ''),
            \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_FORCE_OBJECT | \JSON_THROW_ON_ERROR,
        );

        return (string) preg_replace('/"'.self::NUMBER.'([^"]*)"/', '$1', $line);
    }

    /**
     * Objects within a row become columns of their own: `account.name`.
     *
     * @param array<string|int, mixed> $row
     *
     * @return array<string, mixed>
     */
    private static function flat(array $row, string $before): array
    {
        $flat = [];
        foreach ($row as $key => $value) {
            if (\is_array($value)) {
                $flat += self::flat($value, "$before$key.");
            } else {
                $flat["$before$key"] = $value;
            }
        }

        return $flat;
    }
}
