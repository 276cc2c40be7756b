<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

use KeenMargin\Core\Notation\Hatch;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Scene\TextMeasure;

/** Pages of scenes in vectors and real text. */
final class PdfSurface implements Surface
{
    private const FACES = [400 => 'ibmplexsans', 500 => 'ibmplexserifmedium', 600 => 'ibmplexsanssemib'];

    private const FOOT = 10.0;

    private PlainPdf $pdf;
    private float $width = 0.0;
    private float $height = 0.0;
    private float $scale = 1.0;
    private string $colours = 'effect';

    public function __construct(string $title, string $subject, private readonly string $fonts)
    {
        // The library puts its main font into every file, used or not.
        \defined('K_TCPDF_EXTERNAL_CONFIG') || \define('K_TCPDF_EXTERNAL_CONFIG', true);
        \defined('PDF_FONT_NAME_MAIN') || \define('PDF_FONT_NAME_MAIN', self::FACES[400]);
        \defined('K_PATH_FONTS') || \define('K_PATH_FONTS', "$fonts/");
        $this->pdf = new PlainPdf();
        $this->pdf->setPrintHeader(false);
        $this->pdf->setPrintFooter(false);
        $this->pdf->setMargins(0, 0, 0, true);
        $this->pdf->setAutoPageBreak(false);
        $this->pdf->setCellPaddings(0, 0, 0, 0);
        $this->pdf->setFontSubsetting(true);
        $this->pdf->setTitle($title);
        $this->pdf->setSubject($subject);
        $this->pdf->setCreator('Keen Margin');
    }

    /**
     * Begins a page.
     *
     * @param float $width in points of scenes, as the height
     * @param float $scale points of paper for a point of a scene
     */
    public function page(float $width, float $height, float $scale = 1.0): void
    {
        [$this->width, $this->height, $this->scale] = [$width, $height, $scale];
        $this->pdf->unit($scale);
        $this->pdf->AddPage($width > $height ? 'L' : 'P', [$width, $height]);
    }

    /** An entry of the outline that leads to the page. */
    public function bookmark(string $title): void
    {
        $this->pdf->Bookmark($title, 0, 0);
    }

    /** The moment that the file says it was made at, and what its id is made of: the same pages, the same bytes. */
    public function at(\DateTimeImmutable $made, string $id): void
    {
        $this->pdf->made($made, $id);
    }

    public function paint(Scene $scene): void
    {
        $this->colours = $scene->colours;
        ScenePainter::paint($scene, $this);
    }

    /** Paints a part of a scene, and nothing of it above or below a strip of the page. */
    public function within(float $top, float $height, Scene $part): void
    {
        $this->pdf->StartTransform();
        $this->pdf->Rect(0, $top, $this->width, $height, 'CNZ');
        $this->paint($part);
        $this->pdf->StopTransform();
    }

    /** `2 / 5` at the foot of the page. */
    public function number(int $page, int $of): void
    {
        $text = "$page / $of";
        $width = TextMeasure::width($text, Type::SMALL);
        $this->text(
            new Text(
                x: $this->width - $width - self::FOOT,
                y: $this->height - self::FOOT,
                text: $text,
                size: Type::SMALL,
                fill: Ink::Quiet->value,
                width: $width,
            ),
            Ink::Quiet,
        );
    }

    public function bytes(): string
    {
        return $this->pdf->Output('', 'S');
    }

    public function shape(array $points, ?Ink $fill, ?Ink $stroke, float $thickness, bool $isClosed): void
    {
        $flat = array_merge([], ...$points);
        if (null !== $fill && $fill->isHatch()) {
            $this->pdf->Polygon($flat, 'F', [], $this->rgb(Ink::Panel));
            $this->hatch($points, $fill);
        } elseif (null !== $fill) {
            $this->pdf->Polygon($flat, 'F', [], $this->rgb($fill));
        }
        if (null !== $stroke) {
            $this->pdf->setLineStyle($this->style($stroke, $thickness, []));
            $isClosed ? $this->pdf->Polygon($flat, 'D') : $this->pdf->PolyLine($flat, 'D');
        }
    }

    public function line(float $x1, float $y1, float $x2, float $y2, Ink $stroke, float $thickness, array $dash): void
    {
        $this->pdf->Line($x1, $y1, $x2, $y2, $this->style($stroke, $thickness, $dash));
    }

    public function circle(float $x, float $y, float $radius, Ink $fill, ?Ink $stroke, float $thickness): void
    {
        $this->pdf->Circle(
            x0: $x,
            y0: $y,
            r: $radius,
            angstr: 0,
            angend: 360,
            style: null === $stroke ? 'F' : 'DF',
            line_style: null === $stroke ? [] : $this->style($stroke, $thickness, []),
            fill_color: $this->rgb($fill),
        );
    }

    public function text(Text $text, Ink $ink): void
    {
        // The library would move text from below the page onto it.
        if ($text->y - $text->size > $this->height) {
            return;
        }
        [$red, $green, $blue] = $this->rgb($ink);
        $this->pdf->setTextColor($red, $green, $blue);
        if (TextMeasure::isWhole($text->text, $text->weight)) {
            $this->piece(self::FACES[$text->weight], $text, $text->box()->left, $text->text);

            return;
        }
        foreach (DrawnText::letters($text) as ['letter' => $letter, 'font' => $font, 'left' => $left]) {
            $this->piece(null === $font ? self::FACES[$text->weight] : strtolower($font), $text, $left, $letter);
        }
    }

    private function piece(string $family, Text $text, float $left, string $piece): void
    {
        $this->pdf->setFont($family, '', $this->scale * $text->size, "$this->fonts/$family.php");
        $this->pdf->Text(
            x: $left,
            y: $text->y,
            txt: $piece,
            fstroke: 0,
            fclip: false,
            ffill: true,
            border: 0,
            ln: 0,
            align: '',
            fill: false,
            link: '',
            stretch: 0,
            ignore_min_height: false,
            calign: 'L',
        );
    }

    /** @param non-empty-list<array{float, float}> $points */
    private function hatch(array $points, Ink $ink): void
    {
        [$xs, $ys] = [array_column($points, 0), array_column($points, 1)];
        if (max($xs) - min($xs) <= 0.0 || max($ys) - min($ys) <= 0.0) {
            return;
        }
        $this->pdf->StartTransform();
        $this->pdf->Polygon(array_merge([], ...$points), 'CNZ');
        $this->pdf->setLineStyle($this->style($ink, Hatch::THICKNESS, []));
        foreach (HatchLines::within(min($xs), min($ys), max($xs), max($ys)) as $line) {
            $this->pdf->Line(...$line);
        }
        $this->pdf->StopTransform();
    }

    /**
     * @param list<float> $dash
     *
     * @return array<string, mixed>
     */
    private function style(Ink $ink, float $thickness, array $dash): array
    {
        return [
            'width' => $thickness,
            'cap' => 'butt',
            'join' => 'miter',
            'dash' => [] === $dash ? 0 : implode(',', $dash),
            'color' => $this->rgb($ink),
        ];
    }

    /** @return array{int<0, 255>, int<0, 255>, int<0, 255>} */
    private function rgb(Ink $ink): array
    {
        return Rgb::of($ink->within($this->colours));
    }
}
