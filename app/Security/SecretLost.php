<?php

declare(strict_types=1);

namespace KeenMargin\App\Security;

/** A secret that cannot be opened, or not be sealed. */
final class SecretLost extends \RuntimeException
{
    public function __construct(
        string $says = 'The password or token cannot be read any more, as its key is another one now. Give it again.',
    ) {
        parent::__construct($says);
    }
}
