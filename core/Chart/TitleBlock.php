<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Workings;

/** Who, what in which unit, when and which scenarios: composed from the question, so never out of date. */
final readonly class TitleBlock
{
    private const LINE = 17.0;

    private function __construct(public string $who, public string $measure, public string $unit, public string $when)
    {
    }

    public static function of(Workings $workings): self
    {
        $unit = $workings->display->unitText();

        return new self($workings->who, $workings->measure->name, '' === $unit ? '' : "in $unit", self::when($workings));
    }

    public function oneLine(): string
    {
        return implode(', ', array_filter([$this->who, trim($this->measure.' '.$this->unit), $this->when]));
    }

    /** Writes the lines from the top; gives the y at which the chart may begin. */
    public function write(Board $board): float
    {
        $width = $board->width - 2 * Board::MARGIN;
        $y = 12.0;
        foreach ([$this->who, null, $this->when] as $line) {
            if (null === $line) {
                $y = $this->writeMeasure($board, $width, $y);
                continue;
            }
            foreach ('' === $line ? [] : TextMeasure::lines($line, $width, Type::TITLE) as $part) {
                $board->write('title', Board::text(Board::MARGIN, $y, $part, size: Type::TITLE, role: 'title'));
                $y += self::LINE;
            }
        }

        return $y;
    }

    private function writeMeasure(Board $board, float $width, float $y): float
    {
        $lines = TextMeasure::lines($this->measure, $width, Type::TITLE, 600);
        foreach ($lines as $part) {
            $text = Board::text(Board::MARGIN, $y, $part, size: Type::TITLE, weight: 600, role: 'title');
            $board->write('title', $text);
            $y += self::LINE;
        }
        $after = Board::text($text->x + $text->width + TextMeasure::width(' ', Type::TITLE), $y - self::LINE, $this->unit, size: Type::TITLE, role: 'title');
        if ('' !== $this->unit && $after->x + $after->width > $width) {
            $after = Board::text(Board::MARGIN, $y, $this->unit, size: Type::TITLE, role: 'title');
            $y += self::LINE;
        }
        if ('' !== $this->unit) {
            $board->write('title', $after);
        }

        return $y;
    }

    /** `Jan–Dec 2026: AC to Aug, then FC, against BU; PY marked` */
    private static function when(Workings $workings): string
    {
        $rows = $workings->rows;
        if ([] === $rows) {
            return 'No periods';
        }
        $from = $rows[0]->period;
        $to = $rows[\count($rows) - 1]->period;
        $sameYear = PeriodNames::year($from) === PeriodNames::year($to);
        $closing = $sameYear && $workings->closing->grain === $from->grain ? PeriodNames::withinYear($workings->closing) : PeriodNames::full($workings->closing);
        $isAllForecast = null !== $workings->forecast && [] === array_filter($rows, static fn ($row): bool => Scenario::Actual === $row->shownScenario);
        $shown = match (true) {
            $isAllForecast => Scenario::Forecast->value,
            null !== $workings->forecast => "{$workings->scenario->value} to $closing, then {$workings->forecast->value}",
            default => $workings->scenario->value,
        };
        $against = match (\count($workings->against)) {
            0 => '',
            default => ' against '.$workings->against[0]->value,
        };
        $marked = \count($workings->against) > 1 ? '; '.Wording::and(array_map(static fn (Scenario $s): string => $s->value, \array_slice($workings->against, 1))).' marked' : '';

        return PeriodNames::range($from, $to).': '.$shown.(str_contains($shown, ',') && '' !== $against ? ',' : '').$against.$marked;
    }
}
