<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind;

use KeenMargin\App\Sources\FetchFailed;
use KeenMargin\App\Sources\Reach\Reach;
use KeenMargin\App\Sources\Reach\WebAnswer;
use KeenMargin\App\Sources\Reach\WebClient;
use KeenMargin\App\Sources\Reach\WebUrl;
use KeenMargin\App\Storage\Files\NotWritten;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Figures\Reading\Text\Limits;

/** An address on the web that answers with a file of figures, or with JSON, whole or in pages. */
final readonly class WebKind implements SourceKind
{
    private const MOST_PAGES = 10_000;
    /** Seconds of one fetch with all its pages. */
    private const LONGEST = 1_800;
    private const NOT_MODIFIED = 304;

    public function __construct(private Reach $reach) {}

    public function id(): string
    {
        return 'web';
    }

    public function settings(Given $given): array
    {
        return WebAddress::read($given)->toArray();
    }

    public function place(array $settings): string
    {
        return \is_string($settings['address'] ?? null) ? $settings['address'] : '';
    }

    public function fetch(FetchRequest $request): ?Fetched
    {
        $told = WebAddress::read($request->given());
        $address = $told->of($request->due);
        $client = new WebClient($this->reach);
        $credentials = $told->credentials($request->secret);
        $first = $client->get(
            'number' === $told->pages ? $told->ofPage($address, 0) : $address,
            self::conditions($request, $told, $address),
            $credentials,
        );
        if (self::NOT_MODIFIED === $first->status) {
            return null;
        }
        $file = new PageFile("$request->folder/fetched");
        try {
            $this->addPages($file, $first, $told, $request, static fn (string $url): WebAnswer => $client->get(
                $url,
                [],
                WebUrl::origin($url) === WebUrl::origin($address) ? $credentials : [],
            ));
        } finally {
            $file->close();
        }

        return new Fetched(
            path: $file->path,
            name: self::name($address, $request->due),
            scope: $address,
            remember: array_filter([
                'address' => $address,
                'etag' => $first->header('etag'),
                'modified' => $first->header('last-modified'),
            ]),
            mapping: null === $told->rows ? [] : ['decimal' => '.'],
        );
    }

    /** @return array<string, string> asks for an answer only where it is another than the last one */
    private static function conditions(FetchRequest $request, WebAddress $told, string $address): array
    {
        $known = $request->remembered;
        if ('none' !== $told->pages || ($known['address'] ?? null) !== $address || null !== $request->firstRows) {
            return [];
        }

        return array_filter([
            'If-None-Match' => \is_string($known['etag'] ?? null) ? $known['etag'] : '',
            'If-Modified-Since' => \is_string($known['modified'] ?? null) ? $known['modified'] : '',
        ]);
    }

    /** @param \Closure(string): WebAnswer $get */
    private function addPages(
        PageFile $file,
        WebAnswer $answer,
        WebAddress $told,
        FetchRequest $request,
        \Closure $get,
    ): void {
        $address = $told->of($request->due);
        $until = microtime(true) + self::LONGEST;
        for ($number = 0;; ++$number) {
            self::insistOnSuccess($answer, $request->secret);
            $rows = self::addPage($file, $answer, $told, $number, $request->folder);
            $next = match ($told->pages) {
                'link' => $answer->maybeNext(),
                'number' => $rows > 0 ? $told->ofPage($address, $number + 1) : null,
                default => null,
            };
            if (null === $next || null !== $request->firstRows) {
                return;
            }
            if ($number + 1 >= self::MOST_PAGES || microtime(true) > $until) {
                throw new FetchFailed(
                    'There are more than '.number_format(self::MOST_PAGES).
                        ' pages, or they take longer than half an hour. Ask for larger pages, or for fewer periods.',
                );
            }
            $answer = $get($next);
        }
    }

    /** @return int rows of the page, as far as they are counted; 1 where it is a whole file */
    private static function addPage(
        PageFile $file,
        WebAnswer $answer,
        WebAddress $told,
        int $number,
        string $folder,
    ): int {
        $isWhole = null === $told->rows && 'none' === $told->pages;
        $path = $isWhole ? $file->path : "$folder/page";
        $most = null === $told->rows ? Limits::BYTES - $file->bytes() : JsonAnswer::MOST_BYTES;
        $page = @fopen($path, 'w');
        \is_resource($page) || throw NotWritten::at($path);
        try {
            $answer->write($page, $most);
        } finally {
            fclose($page);
        }
        if ($isWhole) {
            return 1;
        }
        'none' === $told->pages || $file->insistOnNew($path, $number);
        if (null === $told->rows) {
            return $file->addText($path, $number);
        }
        $rows = JsonAnswer::rows((string) file_get_contents($path), $told->rows);
        $file->addRows($rows);
        if ($file->bytes() > Limits::BYTES) {
            throw new FetchFailed('All pages together are longer than can be read. Ask for fewer periods.');
        }

        return \count($rows);
    }

    private static function insistOnSuccess(WebAnswer $answer, ?string $secret): void
    {
        if ($answer->status >= 200 && $answer->status < 300) {
            return;
        }
        $host = WebUrl::parts($answer->url)['host'];
        $answer->cancel();
        throw FetchFailed::because(
            match (true) {
                401 === $answer->status, 403 === $answer->status => "$host does not let us in ($answer->status). ".
                    'The password or token may be wrong or have expired.',
                404 === $answer->status, 410 === $answer->status => "$host has nothing at this address ".
                    "($answer->status).",
                429 === $answer->status => "$host has been asked too often (429).",
                $answer->status >= 500 => "$host has a fault of its own ($answer->status).",
                default => "$host answered $answer->status instead of figures.",
            },
            $secret,
        );
    }

    /** `entries 2026-08`: the last part of the path, and the period. */
    private static function name(string $address, Due $due): string
    {
        $path = trim((string) parse_url($address, \PHP_URL_PATH), '/');
        $last = basename('' === $path ? WebUrl::parts($address)['host'] : rawurldecode($path));

        return mb_substr(mb_scrub($last), 0, 180).' '.$due->period->key();
    }
}
