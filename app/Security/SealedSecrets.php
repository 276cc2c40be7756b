<?php

declare(strict_types=1);

namespace KeenMargin\App\Security;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * Passwords and tokens, encrypted where they are kept (libsodium's secretbox). The key is made of KEEN_SECRET, else it
 * lies in a file of its own beside the database.
 */
final readonly class SealedSecrets
{
    private const VERSION = '1:';
    private const SHORTEST_SECRET = 16;

    public function __construct(
        #[Autowire('%env(resolve:KEEN_DATA)%')] private string $database,
        #[Autowire('%env(KEEN_SECRET)%')] private string $configured = '',
    ) {}

    public function seal(#[\SensitiveParameter] string $secret): string
    {
        return self::sealedWith($this->key(), $secret);
    }

    /** @throws SecretLost where it was sealed with another key */
    public function open(string $sealed): string
    {
        return self::openedWith($this->key(), $sealed) ?? throw new SecretLost();
    }

    public static function sealedWith(#[\SensitiveParameter] string $key, #[\SensitiveParameter] string $secret): string
    {
        $nonce = random_bytes(\SODIUM_CRYPTO_SECRETBOX_NONCEBYTES);

        return self::VERSION.base64_encode($nonce.sodium_crypto_secretbox($secret, $nonce, $key));
    }

    /** Null where it was sealed with another key, or is not whole. */
    public static function openedWith(#[\SensitiveParameter] string $key, string $sealed): ?string
    {
        $bytes = str_starts_with($sealed, self::VERSION)
            ? (string) base64_decode(substr($sealed, \strlen(self::VERSION)), true)
            : '';
        if (\strlen($bytes) < \SODIUM_CRYPTO_SECRETBOX_NONCEBYTES + \SODIUM_CRYPTO_SECRETBOX_MACBYTES) {
            return null;
        }
        $opened = sodium_crypto_secretbox_open(
            substr($bytes, \SODIUM_CRYPTO_SECRETBOX_NONCEBYTES),
            substr($bytes, 0, \SODIUM_CRYPTO_SECRETBOX_NONCEBYTES),
            $key,
        );

        return false === $opened ? null : $opened;
    }

    /** Where the key lies, if it is not configured. */
    public static function keyFile(string $database): string
    {
        return \dirname($database).'/secret.key';
    }

    private function key(): string
    {
        if ('' !== $this->configured) {
            if (\strlen($this->configured) < self::SHORTEST_SECRET) {
                throw new SecretLost('KEEN_SECRET has to have '.self::SHORTEST_SECRET.' letters at least.');
            }

            return sodium_crypto_generichash($this->configured, 'keen-margin', \SODIUM_CRYPTO_SECRETBOX_KEYBYTES);
        }
        $file = self::keyFile($this->database);
        $key = self::maybeKept($file) ?? self::made($file);

        return \SODIUM_CRYPTO_SECRETBOX_KEYBYTES === \strlen($key) ? $key : throw new SecretLost();
    }

    private static function maybeKept(string $file): ?string
    {
        $text = @file_get_contents($file);

        return false === $text ? null : (string) base64_decode(trim($text), true);
    }

    /** Whoever is first makes it: a link is there whole, or not at all. */
    private static function made(string $file): string
    {
        $own = $file.'.'.bin2hex(random_bytes(6));
        @mkdir(\dirname($file), 0o700, true);
        $old = umask(0o077);
        try {
            $key = base64_encode(sodium_crypto_secretbox_keygen())."\n";
            if (@file_put_contents($own, $key) !== \strlen($key)) {
                throw new SecretLost("The key for secrets cannot be written to $file.");
            }
            @link($own, $file);
        } finally {
            umask($old);
            @unlink($own);
        }

        return self::maybeKept($file) ?? throw new SecretLost("The key for secrets cannot be written to $file.");
    }
}
