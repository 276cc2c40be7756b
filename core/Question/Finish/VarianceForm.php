<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Finish;

/** In which form variances are shown. */
enum VarianceForm: string
{
    case Both = 'both';
    case Amount = 'amount';
    case Percent = 'percent';

    public function hasAmount(): bool
    {
        return self::Percent !== $this;
    }

    public function hasPercent(): bool
    {
        return self::Amount !== $this;
    }
}
