<?php

declare(strict_types=1);

namespace KeenMargin\Tests\storm;

/** Requests as the API description has them, with some of it otherwise: other types, sizes, signs, headers, ids. */
final class OddValues
{
    private const DEEPEST = 6;
    private const TEXTS = [
        '', ' ', '0', 'AC', 'BU', '2026-01', '2026-13', 'Route', 'North', 'month', '../../etc/passwd', "a\0b",
        "\u{202E}x", '<script>alert(1)</script>', '1e309', '-0', "' OR 1=1 --", '{"a":1}', '٣', '😀',
    ];
    private const IDS = [
        '0', '-1', '1', '999999999999999', '99999999999999999999', 'abc', '%D9%A1', '1%00', '1.5', '..', '%2e%2e%2f',
        "1'", 'null', '0x1', '1%20',
    ];

    /**
     * @param array<mixed> $schemas of the description
     * @param array<mixed> $known ids of what is there
     */
    public function __construct(private readonly array $schemas, private readonly array $known) {}

    /**
     * @param array<mixed> $operation
     *
     * @return array{string, ?string, list<string>} address, body, headers
     */
    public function request(string $path, array $operation): array
    {
        $address = (string) preg_replace_callback(
            '#(\w+)/\{(\w+)\}|\{(\w+)\}#',
            fn (array $part): string => ('' === $part[1] ? '' : $part[1].'/').
                $this->id($part[1], $part[2] ?: $part[3] ?? ''),
            $path,
        );
        $query = [];
        foreach (\is_array($operation['parameters'] ?? null) ? $operation['parameters'] : [] as $parameter) {
            if (
                \is_array($parameter)
                && 'query' === ($parameter['in'] ?? '')
                && \is_string($parameter['name'])
                && 0 < mt_rand(0, 2)
            ) {
                $query[] = $parameter['name'].(0 === mt_rand(0, 5) ? '[]' : '').'='.rawurlencode(self::text());
            }
        }
        $address .= [] === $query ? '' : '?'.implode('&', $query);
        $schema = self::within($operation, 'requestBody', 'content', 'application/json', 'schema');
        $body = [] === $schema && 0 < mt_rand(0, 6) ? null : $this->body($schema);
        $headers = [
            'Content-Type: '.
            (0 === mt_rand(0, 9)
                ? [
                    'text/plain', 'application/xml', 'application/json; charset=utf-16',
                    'multipart/form-data; boundary=x', 'application/x-www-form-urlencoded', '',
                ][mt_rand(0, 5)]
                : 'application/json'),
        ];
        0 < mt_rand(0, 3)
            && ($headers[] =
                'If-Match: '.
                ['"1"', '"2"', '*', '1', 'W/"1"', '""', str_repeat('9', 400), "\u{663}"][mt_rand(0, 7)]);
        0 === mt_rand(0, 9)
            && ($headers[] = [
                'Accept: text/html',
                'X-HTTP-Method-Override: DELETE',
                'Range: bytes=5-1',
                'If-None-Match: *',
                'X-Signed: %FF%00',
                'X-Forwarded-Host: evil.example',
                'Content-Encoding: gzip',
                'Accept-Language: '.str_repeat('a,', 2000),
            ][mt_rand(0, 7)]);

        return [$address, $body, $headers];
    }

    private function id(string $of, string $name): string
    {
        if ('format' === $name) {
            return ['svg', 'png', 'pdf', 'csv', 'xlsx', 'ods', 'jsonl', 'json', 'exe', '%00', '..'][mt_rand(0, 10)];
        }
        $known = $this->known[$of] ?? null;

        return \is_scalar($known) && 0 < mt_rand(0, 4) ? (string) $known : self::IDS[mt_rand(0, \count(self::IDS) - 1)];
    }

    /** @param array<mixed> $schema */
    private function body(array $schema): string
    {
        $odd = [
            '',
            '[]',
            '{}',
            'null',
            '"x"',
            '3',
            '{',
            "\xFF\xFE",
            str_repeat('[', 3000),
            '{"a":'.str_repeat('9', 5000).'}',
            '{"a":"'.str_repeat('x', 100_000).'"}',
            '{"":{"":{"":1}}}',
            "{\"a\":\"\u{FFFF}\"}",
        ];
        if (0 === mt_rand(0, 7)) {
            return $odd[mt_rand(0, \count($odd) - 1)];
        }

        return (string) json_encode(
            $this->value($schema, 0), \JSON_PARTIAL_OUTPUT_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE,
        );
    }

    /** @param array<mixed> $schema */
    private function value(array $schema, int $depth): mixed
    {
        if (0 === mt_rand(0, 11) || $depth > self::DEEPEST) {
            return $this->anything();
        }
        if (\is_string($schema['$ref'] ?? null)) {
            $name = basename($schema['$ref']);
            if ('Recipe' === $name && 0 < mt_rand(0, 1)) {
                return $this->bent($this->known['recipe'] ?? [], 0);
            }

            return $this->value(\is_array($this->schemas[$name] ?? null) ? $this->schemas[$name] : [], $depth + 1);
        }
        foreach (['oneOf', 'anyOf', 'enum'] as $choice) {
            if (\is_array($schema[$choice] ?? null) && [] !== $schema[$choice]) {
                $one = array_values($schema[$choice])[mt_rand(0, \count($schema[$choice]) - 1)];

                return 'enum' !== $choice && \is_array($one) ? $this->value($one, $depth + 1) : $one;
            }
        }
        $type = \is_array($schema['type'] ?? null)
            ? $schema['type'][mt_rand(0, \count($schema['type']) - 1)]
            : $schema['type'] ?? (isset($schema['properties']) ? 'object' : '');

        return match ($type) {
            'object' => $this->object($schema, $depth),
            'array' => array_map(
                fn (): mixed => $this->value(\is_array($schema['items'] ?? null) ? $schema['items'] : [], $depth + 1),
                array_fill(0, mt_rand(0, 3), 0),
            ),
            'integer' => [0, 1, -1, 12, 2026, \PHP_INT_MAX, 1.5, $this->known['datasets'] ?? 1][mt_rand(0, 7)],
            'number' => [0, -0.5, 1e300, 12][mt_rand(0, 3)],
            'boolean' => 1 === mt_rand(0, 1),
            'string' => 0 === mt_rand(0, 3) && \is_string($this->known['readings'] ?? null)
                ? $this->known['readings']
                : self::text(),
            default => $this->anything(),
        };
    }

    /** @param array<mixed> $schema */
    private function object(array $schema, int $depth): object
    {
        $object = [];
        foreach (\is_array($schema['properties'] ?? null) ? $schema['properties'] : [] as $name => $property) {
            if (0 < mt_rand(0, 3)) {
                $object[$name] = $this->value(\is_array($property) ? $property : [], $depth + 1);
            }
        }
        if (0 === mt_rand(0, 9)) {
            $object[self::text()] = $this->anything();
        }

        return (object) $object;
    }

    /** What is right, with one part of it otherwise. */
    private function bent(mixed $value, int $depth): mixed
    {
        if (!\is_array($value) || [] === $value || 0 === mt_rand(0, 4)) {
            return 0 === mt_rand(0, 1) ? $this->anything() : $value;
        }
        $key = array_keys($value)[mt_rand(0, \count($value) - 1)];
        $value[$key] = $depth > self::DEEPEST ? null : $this->bent($value[$key], $depth + 1);

        return array_is_list($value) ? $value : (object) $value;
    }

    private function anything(): mixed
    {
        return [
            null,
            true,
            0,
            -1,
            1.5,
            \PHP_INT_MAX,
            '',
            [],
            (object) [],
            [[]],
            self::text(),
            ['a' => null],
            str_repeat('ä', 5000),
        ][mt_rand(0, 12)];
    }

    /**
     * @param array<mixed> $document
     *
     * @return array<mixed> what stands at the path; nothing where it does not lead there
     */
    private static function within(array $document, string ...$path): array
    {
        foreach ($path as $key) {
            $document = \is_array($document[$key] ?? null) ? $document[$key] : [];
        }

        return $document;
    }

    private static function text(): string
    {
        return self::TEXTS[mt_rand(0, \count(self::TEXTS) - 1)];
    }
}
