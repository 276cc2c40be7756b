<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Reach;

/** Parts of addresses on the web. */
final class WebUrl
{
    /**
     * @return array{scheme: string, host: string, port: int}
     *
     * @throws NotAllowed
     */
    public static function parts(string $url): array
    {
        $parts = parse_url($url) ?: [];
        $scheme = strtolower($parts['scheme'] ?? '');
        $host = strtolower($parts['host'] ?? '');
        if (!\in_array($scheme, ['http', 'https'], true) || '' === $host) {
            throw NotAllowed::scheme();
        }

        return ['scheme' => $scheme, 'host' => $host, 'port' => $parts['port'] ?? ('https' === $scheme ? 443 : 80)];
    }

    /** A link as it stands in an answer, as an address of its own. */
    public static function absolute(string $link, string $from): string
    {
        if (1 === preg_match('~^[a-z][a-z0-9+.-]*:~i', $link)) {
            return $link;
        }
        ['scheme' => $scheme] = self::parts($from);
        if (str_starts_with($link, '//')) {
            return "$scheme:$link";
        }
        $origin = self::origin($from);
        $path = (string) (parse_url($from, \PHP_URL_PATH) ?: '/');

        return match (true) {
            str_starts_with($link, '/') => $origin.$link,
            str_starts_with($link, '?') => $origin.$path.$link,
            default => $origin.substr($path, 0, (int) strrpos($path, '/') + 1).$link,
        };
    }

    public static function origin(string $url): string
    {
        ['scheme' => $scheme, 'host' => $host, 'port' => $port] = self::parts($url);

        return "$scheme://$host:$port";
    }
}
