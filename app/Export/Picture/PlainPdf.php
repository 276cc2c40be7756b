<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

/**
 * The library without the line about itself that it would hide on the last page: text that is searched has to be the
 * chart's.
 */
final class PlainPdf extends \TCPDF
{
    /** In points, one page of this size. */
    public function __construct(float $width, float $height)
    {
        parent::__construct($width > $height ? 'L' : 'P', 'pt', [$width, $height]);
        $this->tcpdflink = false;
    }
}
