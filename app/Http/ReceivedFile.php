<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use KeenMargin\App\Storage\Files\NotWritten;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\BadRequestHttpException;

/** A file that was handed in as `file` of a form. */
final class ReceivedFile
{
    /**
     * @param \Throwable $partial what is thrown where it did not arrive whole
     *
     * @throws BadRequestHttpException where there is none
     * @throws NotWritten where there was no room for it on the disk
     */
    public static function of(Request $request, \Throwable $partial): UploadedFile
    {
        $file = $request->files->get('file');
        if (!$file instanceof UploadedFile) {
            throw new BadRequestHttpException('Send the file as "file" of a form.');
        }
        if (\in_array($file->getError(), [\UPLOAD_ERR_CANT_WRITE, \UPLOAD_ERR_NO_TMP_DIR], true)) {
            throw NotWritten::at(sys_get_temp_dir().'/upload');
        }

        return $file->isValid() ? $file : throw $partial;
    }
}
