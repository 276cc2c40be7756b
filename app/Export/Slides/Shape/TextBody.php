<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Notation\Ink;

/** The text of a shape. */
final readonly class TextBody
{
    /**
     * What is below the baseline of a line, in parts of the size: slides have lines of 1.2 times the size, whatever
     * the font (measured with LibreOffice, which does as the format's own program).
     */
    public const BELOW_BASELINE = 0.205;

    /**
     * @param list<TextLine> $lines paragraphs from top to bottom
     * @param bool $wraps whether its lines are broken at the edge of its shape
     * @param 'top'|'middle'|'bottom' $at
     */
    public function __construct(public array $lines, public bool $wraps = false, public string $at = 'bottom') {}

    /** The same in letters of another size. */
    public function sized(float $factor): self
    {
        $piece = static fn (TextPiece $one): TextPiece => With::of($one, ['size' => $factor * $one->size]);

        return With::of($this, [
            'lines' => array_map(
                static fn (TextLine $line): TextLine => With::of($line, ['pieces' => array_map($piece, $line->pieces)]),
                $this->lines,
            ),
        ]);
    }

    /** That of its first letters; null where there are none. */
    public function ink(): ?Ink
    {
        return $this->lines[0]->pieces[0]->ink ?? null;
    }

    /** @return list<string> numbers in it that are taken from workings, as they are written */
    public function numbers(): array
    {
        $numbers = [];
        foreach ($this->lines as $line) {
            foreach ($line->pieces as $piece) {
                $piece->isNumber && $numbers[] = $piece->text;
            }
        }

        return $numbers;
    }

    public function text(): string
    {
        return implode("\n", array_map(static fn (TextLine $line): string => $line->text(), $this->lines));
    }
}
