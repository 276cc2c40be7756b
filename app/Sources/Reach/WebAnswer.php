<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Reach;

use KeenMargin\App\Sources\FetchFailed;
use Symfony\Contracts\HttpClient\Exception\TransportExceptionInterface;
use Symfony\Contracts\HttpClient\HttpClientInterface;
use Symfony\Contracts\HttpClient\ResponseInterface;

/** An answer that is read a piece at a time: it may be long, or never end. */
final readonly class WebAnswer
{
    /** Times that a packed answer may be longer unpacked, from the size on at which that matters. */
    private const MOST_RATIO = 200;
    private const RATIO_FROM = 1_000_000;

    /** @param string $url after redirects */
    public function __construct(
        private HttpClientInterface $client,
        private ResponseInterface $response,
        public string $url,
        public int $status,
    ) {}

    /** The first header of the name, in lower case; null where there is none. */
    public function header(string $name): ?string
    {
        return $this->response->getHeaders(false)[$name][0] ?? null;
    }

    /** The address of the next page as a Link header tells it; null where there is none. RFC 8288 */
    public function maybeNext(): ?string
    {
        foreach ($this->response->getHeaders(false)['link'] ?? [] as $header) {
            if (1 === preg_match('/<([^>]*)>[^,]*;\s*rel="?(?:[^"]*\s)?next(?:\s[^"]*)?"?/i', $header, $found)) {
                return WebUrl::absolute($found[1], $this->url);
            }
        }

        return null;
    }

    /**
     * Writes the body to a file, unpacked.
     *
     * @param resource $to
     *
     * @return int bytes
     *
     * @throws FetchFailed where it is longer, or cut off
     */
    public function write(mixed $to, int $most): int
    {
        $inflate = 'gzip' === strtolower((string) $this->header('content-encoding'))
            ? inflate_init(\ZLIB_ENCODING_GZIP)
            : false;
        $packed = $bytes = 0;
        try {
            foreach ($this->client->stream($this->response) as $chunk) {
                $piece = $chunk->getContent();
                $packed += \strlen($piece);
                // A small piece may unpack to very much: it is unpacked in parts, and looked at after each.
                foreach ($inflate instanceof \InflateContext ? str_split($piece, 4096) : [$piece] as $part) {
                    $plain = $inflate instanceof \InflateContext ? @inflate_add($inflate, $part) : $part;
                    if (false === $plain) {
                        throw new FetchFailed('The answer says that it is packed with gzip, and is not.');
                    }
                    $bytes += \strlen($plain);
                    $this->insistOnSize($bytes, $packed, $most);
                    if (fwrite($to, $plain) !== \strlen($plain)) {
                        throw new FetchFailed('There is no room on the disk for what is fetched.');
                    }
                }
            }
        } catch (TransportExceptionInterface $e) {
            throw FetchFailed::because('The answer was cut off: '.$e->getMessage());
        }
        if ($inflate instanceof \InflateContext && $packed > 0 && \ZLIB_STREAM_END !== inflate_get_status($inflate)) {
            throw new FetchFailed('The answer was cut off: it is packed, and its end is missing.');
        }

        return $bytes;
    }

    public function cancel(): void
    {
        $this->response->cancel();
    }

    private function insistOnSize(int $bytes, int $packed, int $most): void
    {
        if ($bytes > $most) {
            $this->cancel();
            throw new FetchFailed(
                \sprintf('The answer is longer than %d MB. Ask for less, such as fewer periods.', $most / 1_000_000),
            );
        }
        if ($bytes > self::RATIO_FROM && $bytes > $packed * self::MOST_RATIO) {
            $this->cancel();
            throw new FetchFailed('The answer unpacks to far more than figures do. It was not taken.');
        }
    }
}
