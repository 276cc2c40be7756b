<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Reach;

use KeenMargin\App\Sources\FetchFailed;
use Symfony\Component\HttpClient\HttpClient;
use Symfony\Contracts\HttpClient\Exception\TransportExceptionInterface;
use Symfony\Contracts\HttpClient\HttpClientInterface;

/**
 * GET over HTTP and HTTPS. Each host is looked at before it is connected to, that of a redirect too, which gets
 * credentials only where it is the same origin.
 */
final class WebClient
{
    private const REDIRECTS = [301, 302, 303, 307, 308];
    private const MOST_REDIRECTS = 5;
    /** Seconds without a byte, and of one request as a whole. */
    private const IDLE = 30;
    private const LONGEST = 900;

    private readonly HttpClientInterface $client;

    public function __construct(private readonly Reach $reach)
    {
        $this->client = HttpClient::create([
            'max_redirects' => 0,
            'timeout' => self::IDLE,
            'max_duration' => self::LONGEST,
            // A proxy would look names up by itself.
            'no_proxy' => '*',
            'headers' => ['User-Agent' => 'KeenMargin', 'Accept-Encoding' => 'gzip'],
        ]);
    }

    /**
     * @param array<string, string> $headers
     * @param array<string, string> $credentials headers that another origin must not get
     *
     * @throws NotAllowed|FetchFailed
     */
    public function get(string $url, array $headers, array $credentials): WebAnswer
    {
        for ($hops = 0; $hops <= self::MOST_REDIRECTS; ++$hops) {
            $answer = $this->once($url, $headers + $credentials);
            if (!\in_array($answer->status, self::REDIRECTS, true)) {
                return $answer;
            }
            $next = WebUrl::absolute($answer->header('location') ?? '', $url);
            $answer->cancel();
            if (WebUrl::origin($next) !== WebUrl::origin($url)) {
                $credentials = [];
            }
            $url = $next;
        }
        throw new FetchFailed('It sends on from one address to the next without an end.');
    }

    /** @param array<string, string> $headers */
    private function once(string $url, array $headers): WebAnswer
    {
        ['host' => $host, 'port' => $port] = WebUrl::parts($url);
        $address = $this->reach->insist($host, $port);
        try {
            $response = $this->client->request('GET', $url, [
                'headers' => $headers,
                'resolve' => [trim($host, '[]') => $address],
                'buffer' => false,
            ]);

            return new WebAnswer($this->client, $response, $url, $response->getStatusCode());
        } catch (TransportExceptionInterface $e) {
            throw FetchFailed::because("$host does not answer: ".$e->getMessage());
        }
    }
}
