<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Finish\TitleLines;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Words\PartlyCompared;

/** Who, what in which unit, when and which scenarios: composed from the question, so never out of date. */
final readonly class TitleBlock
{
    private const LINE = 17.0;

    private function __construct(
        public string $who,
        public string $measure,
        public string $unit,
        public string $when,
    ) {}

    /**
     * @param list<string> $marks what the kind has to explain
     * @param TitleLines $own what the reader wrote instead
     */
    public static function of(Workings $workings, array $marks = [], TitleLines $own = new TitleLines()): self
    {
        $unit = $workings->context->display->unitText();
        $says = [self::when($workings), ...PartlyCompared::words($workings), $workings->context->proRata, ...$marks];
        $when = implode('; ', array_filter($says));

        return new self(
            $own->who ?? $workings->context->who,
            $own->what ?? $workings->context->subject,
            '' === $unit || self::saysUnit($own->what ?? '', $unit) ? '' : "in $unit",
            $own->when ?? $when,
        );
    }

    /** Whether a reader's own line says a unit: `Fares in thousands`, or the chart's own one. */
    private static function saysUnit(string $line, string $unit): bool
    {
        return str_contains($line, $unit) || 1 === preg_match('/\sin\s/iu', $line);
    }

    public function oneLine(): string
    {
        return implode(', ', array_filter([$this->who, trim($this->measure.' '.$this->unit), $this->when]));
    }

    /** Writes the lines from the top; gives the y at which the chart may begin. */
    public function write(Canvas $canvas, float $top = 0.0): float
    {
        $width = $canvas->width - 2 * Canvas::MARGIN;
        $y = $top + 12.0;
        foreach ([$this->who, null, $this->when] as $line) {
            if (null === $line) {
                $y = $this->writeMeasure($canvas, $width, $y);
                continue;
            }
            foreach ('' === $line ? [] : TextMeasure::lines($line, $width, Type::TITLE) as $part) {
                $canvas->write('title', Canvas::text(Canvas::MARGIN, $y, $part, size: Type::TITLE, role: 'title'));
                $y += self::LINE;
            }
        }

        return $y;
    }

    private function writeMeasure(Canvas $canvas, float $width, float $y): float
    {
        $lines = TextMeasure::lines($this->measure, $width, Type::TITLE, 600);
        foreach ($lines as $part) {
            $text = Canvas::text(Canvas::MARGIN, $y, $part, size: Type::TITLE, weight: 600, role: 'title');
            $canvas->write('title', $text);
            $y += self::LINE;
        }
        $after = Canvas::text(
            $text->x + $text->width + TextMeasure::width(' ', Type::TITLE),
            $y - self::LINE,
            $this->unit,
            size: Type::TITLE,
            role: 'title',
        );
        if ('' !== $this->unit && $after->x + $after->width > $width) {
            $after = Canvas::text(Canvas::MARGIN, $y, $this->unit, size: Type::TITLE, role: 'title');
            $y += self::LINE;
        }
        if ('' !== $this->unit) {
            $canvas->write('title', $after);
        }

        return $y;
    }

    /** `Jan–Dec 2026, year to date: AC to Aug, then FC, against BU, for each route` */
    private static function when(Workings $workings): string
    {
        $rows = $workings->table->rows;
        if ([] === $rows) {
            return 'No periods';
        }
        $span = implode(', ', array_filter([self::span($workings), (string) $workings->context->cumulate?->words()]));
        if (null !== $workings->context->says) {
            return ('' === $span ? '' : "$span: ").$workings->context->says;
        }
        $shown = self::shown($workings);
        $reference = $workings->table->reference()?->scenario;
        $against =
            null === $reference || !$workings->context->namesReference
                ? ''
                : (str_contains($shown, ',') ? ',' : '').' against '.$reference->value;

        return ('' === $span ? '' : "$span: ").$shown.$against;
    }

    private static function span(Workings $workings): string
    {
        $from = $workings->context->from;
        $to = $workings->context->to;

        return null === $from || null === $to ? '' : PeriodNames::range($from, $to);
    }

    private static function shown(Workings $workings): string
    {
        if (null === $workings->context->forecast) {
            return $workings->context->scenario->value;
        }
        if ($workings->context->isAllForecast()) {
            return $workings->context->forecast->value;
        }
        $to = $workings->context->to;
        $isWithin =
            null !== $to
            && $workings->context->closing->grain === $to->grain
            && PeriodNames::year($workings->context->closing) === PeriodNames::year($to)
            && null !== $workings->context->from
            && PeriodNames::year($workings->context->from) === PeriodNames::year($to);

        return "{$workings->context->scenario->value} to ".
            ($isWithin
                ? PeriodNames::withinYear($workings->context->closing)
                : PeriodNames::full($workings->context->closing)).
            ", then {$workings->context->forecast->value}";
    }
}
