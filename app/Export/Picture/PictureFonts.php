<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

use KeenMargin\Core\Render\FontFaces;

/** The fonts that pictures carry. */
final class PictureFonts
{
    public static function folder(string $folder): FontFaces
    {
        return FontFaces::folder($folder, FontSubset::of(...));
    }
}
