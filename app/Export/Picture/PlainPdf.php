<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

/**
 * The library without the line about itself that it would hide on the last page: text that is searched has to be the
 * chart's.
 */
final class PlainPdf extends \TCPDF
{
    /** In points, without a page yet. */
    public function __construct()
    {
        parent::__construct('P', 'pt');
        $this->tcpdflink = false;
    }

    /** Lengths are given in a unit of so many points from now on; sizes of type stay in points. */
    public function unit(float $points): void
    {
        $this->k = $points;
    }

    /** When it was made, and by which id it is told apart: else the clock and chance say so. */
    public function made(\DateTimeImmutable $at, string $id): void
    {
        $this->setDocCreationTimestamp($at->getTimestamp());
        $this->setDocModificationTimestamp($at->getTimestamp());
        $this->file_id = md5($id);
    }
}
