<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind;

use KeenMargin\App\Sources\Reach\WebUrl;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;

/** Where on the web figures are and how they are asked for, as a source keeps it. */
final readonly class WebAddress
{
    public const AUTHENTICATIONS = ['none', 'basic', 'bearer', 'header'];
    public const PAGES = ['none', 'link', 'number'];
    private const DEFAULT_PARAMETER = 'page';

    /**
     * @param string $address may hold `{period}`, `{from}` and `{to}`
     * @param string $user of basic authentication
     * @param string $header that bears the secret, where authentication is by a header
     * @param ?string $rows path to the rows of a JSON answer, keys with dots between them; empty where the answer is
     *                      the list itself; null: the answer is a file, told by its bytes
     * @param string $pages how the next one is found
     * @param string $parameter of the address that bears the number of the page
     */
    private function __construct(
        public string $address,
        public string $authentication,
        public string $user,
        public string $header,
        public ?string $rows,
        public string $pages,
        public string $parameter,
        public int $firstPage,
    ) {}

    /** @throws NotAccepted */
    public static function read(Given $given): self
    {
        $given->object(['address', 'authentication', 'user', 'header', 'rows', 'pages', 'parameter', 'firstPage']);
        $authentication = $given->maybe('authentication')?->oneOf(self::AUTHENTICATIONS) ?? 'none';
        $header = $given->maybe('header')?->text(80) ?? '';
        if ('header' === $authentication && 1 !== preg_match('/^[A-Za-z0-9-]{1,80}$/D', $header)) {
            throw new NotAccepted('header', 'Give the name of the header that bears the secret, such as X-Api-Key.');
        }

        return new self(
            address: self::address($given->must('address')),
            authentication: $authentication,
            user: 'basic' === $authentication ? $given->must('user')->string(200) : '',
            header: 'header' === $authentication ? $header : '',
            rows: $given->maybe('rows')?->text(200),
            pages: $given->maybe('pages')?->oneOf(self::PAGES) ?? 'none',
            parameter: $given->maybe('parameter')?->string(80) ?? self::DEFAULT_PARAMETER,
            firstPage: $given->maybe('firstPage')?->int(0, 1_000_000) ?? 1,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(
            [
                'address' => $this->address,
                'authentication' => $this->authentication,
                'user' => $this->user,
                'header' => $this->header,
                'rows' => $this->rows ?? false,
                'pages' => $this->pages,
            ] + ('number' === $this->pages ? ['parameter' => $this->parameter, 'firstPage' => $this->firstPage] : []),
            static fn (mixed $value, string $key): bool => false !== $value && ('rows' === $key || '' !== $value),
            \ARRAY_FILTER_USE_BOTH,
        );
    }

    public function of(Due $due): string
    {
        return strtr($this->address, array_map(rawurlencode(...), $due->placeholders()));
    }

    /** @param int $number of a page, counted from 0 */
    public function ofPage(string $address, int $number): string
    {
        $page = rawurlencode($this->parameter).'='.($this->firstPage + $number);

        return $address.(str_contains($address, '?') ? '&' : '?').$page;
    }

    /** @return array<string, string> headers that bear the secret */
    public function credentials(?string $secret): array
    {
        return match ($this->authentication) {
            'basic' => ['Authorization' => 'Basic '.base64_encode("$this->user:$secret")],
            'bearer' => ['Authorization' => "Bearer $secret"],
            'header' => [$this->header => (string) $secret],
            default => [],
        };
    }

    private static function address(Given $given): string
    {
        $address = trim($given->string(2000));
        $hasLogin = 1 === preg_match('~^[a-z]+://[^/?#]*@~i', $address);
        if (1 !== preg_match('~^https?://[^/?#\s]+~i', $address) || 1 === preg_match('/[\s#]/', $address)) {
            throw $given->refuse('an address that begins with https:// or http://, without blanks');
        }
        if ($hasLogin || false === parse_url($address)) {
            throw $hasLogin
                ? new NotAccepted($given->path, 'Give name and password in their own fields, not in the address.')
                : $given->refuse('an address such as https://ledger.example/entries?period={period}');
        }
        WebUrl::parts($address);

        return $address;
    }
}
