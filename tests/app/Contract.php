<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;

/** Holds every JSON answer of the tests against docs/openapi.json. */
final class Contract
{
    private const BASE = 'https://keen-margin.test/openapi.json';

    private static ?Validator $validator = null;
    /** @var array<string, array<string, array<string, mixed>>> operations by path and method */
    private static array $paths = [];

    public static function insist(string $method, string $path, Answer $answer): void
    {
        $type = explode(';', $answer->header('Content-Type'))[0];
        if (!\in_array($type, ['application/json', 'application/problem+json'], true)) {
            return;
        }
        $validator = self::validator();
        $template = self::maybeTemplate((string) parse_url($path, \PHP_URL_PATH), strtolower($method));
        if (null === $template) {
            return;
        }
        $status = self::documented($template, strtolower($method), $answer->status);
        if (null === $status) {
            // What fails within is a fault of the server, and no answer of the contract.
            Assert::assertContains($answer->status, [405, 500, 503, 507], "$method $path answers {$answer->status}");

            return;
        }
        $pointer = implode(
            '/',
            array_map(static fn (string $part): string => rawurlencode(strtr($part, ['/' => '~1'])), [
                'paths', $template, strtolower($method), 'responses', $status, 'content', $type, 'schema',
            ]),
        );
        $result = $validator->validate(json_decode($answer->body), self::BASE."#/$pointer");
        $error = $result->error();
        $found = null === $error ? '' : json_encode((new ErrorFormatter())->format($error), \JSON_UNESCAPED_SLASHES);
        Assert::assertTrue($result->isValid(), "$method $path does not answer as docs/openapi.json says: $found");
    }

    private static function validator(): Validator
    {
        if (null === self::$validator) {
            self::$validator = new Validator();
            $text = (string) file_get_contents(\dirname(__DIR__, 2).'/docs/openapi.json');
            $document = json_decode($text);
            \assert($document instanceof \stdClass);
            self::$validator->resolver()?->registerRaw($document, self::BASE);
            /** @var array{paths: array<string, array<string, array<string, mixed>>>} $plain */
            $plain = json_decode($text, true);
            self::$paths = $plain['paths'];
        }

        return self::$validator;
    }

    private static function maybeTemplate(string $path, string $method): ?string
    {
        $best = null;
        foreach (self::$paths as $template => $methods) {
            $pattern = '#^'.preg_replace('/\\\\{\w+\\\\}/', '[^/]+', preg_quote($template, '#')).'$#D';
            // An address without parameters is meant before one that has some.
            if (isset($methods[$method]) && 1 === preg_match($pattern, $path)) {
                $best = null === $best || !str_contains($template, '{') ? $template : $best;
            }
        }

        return $best;
    }

    private static function documented(string $template, string $method, int $status): ?string
    {
        $responses = self::$paths[$template][$method]['responses'] ?? [];
        \assert(\is_array($responses));

        return match (true) {
            isset($responses[(string) $status]) => (string) $status,
            $status >= 400 && $status < 500 => '4XX',
            default => null,
        };
    }
}
