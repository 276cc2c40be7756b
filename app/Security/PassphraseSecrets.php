<?php

declare(strict_types=1);

namespace KeenMargin\App\Security;

/** Secrets as a backup holds them: encrypted with a passphrase instead of the house's key. */
final readonly class PassphraseSecrets
{
    private const VERSION = 'p1:';
    private const SHORTEST = 12;

    /** @throws SecretLost where it is too short */
    public function __construct(#[\SensitiveParameter] private string $passphrase)
    {
        if (mb_strlen($passphrase) < self::SHORTEST) {
            throw new SecretLost('The passphrase has to have '.self::SHORTEST.' letters at least.');
        }
    }

    /** @throws SecretLost where there is no such file */
    public static function ofFile(string $path): self
    {
        $text = @file_get_contents($path);

        return new self(false === $text ? throw new SecretLost("$path cannot be read.") : trim($text));
    }

    public static function isOne(string $sealed): bool
    {
        return str_starts_with($sealed, self::VERSION);
    }

    public function seal(#[\SensitiveParameter] string $secret): string
    {
        $salt = random_bytes(\SODIUM_CRYPTO_PWHASH_SALTBYTES);

        return self::VERSION.base64_encode($salt).':'.SealedSecrets::sealedWith($this->key($salt), $secret);
    }

    /** @throws SecretLost where the passphrase is another one */
    public function open(string $sealed): string
    {
        [$salt, $box] = explode(':', substr($sealed, \strlen(self::VERSION)), 2) + ['', ''];
        $bytes = (string) base64_decode($salt, true);
        $opened = \SODIUM_CRYPTO_PWHASH_SALTBYTES === \strlen($bytes)
            ? SealedSecrets::openedWith($this->key($bytes), $box)
            : null;

        return $opened ?? throw new SecretLost('The passphrase is not the one that the backup was made with.');
    }

    private function key(string $salt): string
    {
        return sodium_crypto_pwhash(
            \SODIUM_CRYPTO_SECRETBOX_KEYBYTES,
            $this->passphrase,
            $salt,
            \SODIUM_CRYPTO_PWHASH_OPSLIMIT_INTERACTIVE,
            \SODIUM_CRYPTO_PWHASH_MEMLIMIT_INTERACTIVE,
        );
    }
}
