<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Part\NoteDiscs;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Workings\Result\RowNote;
use KeenMargin\Core\Workings\Result\Workings;

/**
 * A chart before it is drawn: a title, what its kind draws, notes and footnotes. It tells how high it will be, and
 * draws itself as high as asked.
 */
final class Frame
{
    private const LEAST_STRETCH = 0.3;
    private const BELOW_TITLE = 4.0;
    private const BELOW_ALL = 4.0;
    /** Heights that differ by less are as asked. */
    private const CLOSE = 1.0;

    /** @var ?list<Text> message and title in lines; null: not yet laid out */
    private ?array $head = null;
    /** Where the body begins. */
    private float $top = 0.0;
    private TitleBlock $title;
    /** As it was drawn last; null: not yet. */
    private ?Scene $scene = null;
    /** How it was drawn last. */
    private ?Stretch $drawnBy = null;

    /**
     * @param Orientation $orientation which way lengths run
     * @param list<string> $layers groups of marks from back to front
     * @param list<string> $explanations what the subtitle says besides what the question is about
     */
    public function __construct(
        private readonly Workings $workings,
        private readonly Finish $finish,
        private readonly ChartOptions $options,
        private readonly ChartBody $body,
        private readonly Orientation $orientation,
        private readonly array $layers,
        private readonly array $explanations = [],
    ) {}

    /**
     * As high as asked, or as little higher as labels need.
     *
     * @param ?int $height null: as high as it is by itself
     * @param array<string, float> $mostPerUnit points that a unit may have at most, by scale
     */
    public function drawn(?int $height, array $mostPerUnit): Scene
    {
        $stretch = $this->stretch($height, $mostPerUnit);
        if (null === $this->scene || $stretch != $this->drawnBy) {
            $this->scene = $this->stretched($stretch);
            $this->drawnBy = $stretch;
        }
        $scene = $this->scene;

        return null !== $height && $scene->height < $height ? $scene->high((float) $height) : $scene;
    }

    /**
     * How high it will be, as far as its parts tell: notes that find no place beside their marks need more.
     *
     * @param ?int $height as for drawn()
     */
    public function height(?int $height): float
    {
        return max((float) $height, $this->measured($this->stretch($height, [])));
    }

    /** By how much lengths of numbers are longer than usual where the chart is as high as that. */
    public function lengthens(?int $height): float
    {
        return $this->body->hasUprightLengths() ? $this->stretch($height, [])->factor : 1.0;
    }

    /**
     * Heights grow linearly with lengths where nothing else is in the way, so that a secant search finds the stretch
     * in a few tries.
     *
     * @param array<string, float> $mostPerUnit
     */
    private function stretch(?int $height, array $mostPerUnit): Stretch
    {
        $now = new Stretch(1.0, $mostPerUnit);
        if (null === $height) {
            return $now;
        }
        $measured = $this->measured($now);
        $factor = $height > $measured ? 1.5 : 0.6;
        for ($try = 0; $try < 3 && abs($measured - $height) >= self::CLOSE; ++$try) {
            $next = new Stretch($factor, $mostPerUnit);
            $then = $this->measured($next);
            $slope = ($then - $measured) / ($factor - $now->factor);
            [$now, $measured] = [$next, $then];
            if ($slope < 1.0) {
                break;
            }
            $factor = max(self::LEAST_STRETCH, $now->factor + ($height - $measured) / $slope);
            if (abs($factor - $now->factor) < 0.001) {
                break;
            }
        }

        return $now;
    }

    private function measured(Stretch $stretch): float
    {
        $this->head();
        $bottom = $this->top + $this->body->height($stretch);
        $notes = $this->options->areNotesWritten ? $this->options->notes : [];

        return $bottom + Words::height($this->finish->width, $notes, $this->finish->footnote) + self::BELOW_ALL;
    }

    private function stretched(Stretch $stretch): Scene
    {
        $canvas = new Canvas($this->finish->width);
        array_map($canvas->reserve(...), $this->layers);
        foreach ($this->head() as $line) {
            $canvas->write('title', $line);
        }
        $bottom = $this->body->draw($canvas, $this->top, $stretch);
        $isHorizontal = Orientation::Horizontal === $this->orientation;
        [$x, $y] = $isHorizontal ? [36.0, 4.0] : [5.0, 24.0];
        $regions = $canvas->regions($x, $y);
        NoteDiscs::draw($canvas, $this->notesOfFirst($canvas->maybeRows()), $isHorizontal);
        Words::below($canvas, $this->options->areNotesWritten ? $this->options->notes : [], $this->finish->footnote);

        return new Scene(
            width: $this->finish->width,
            height: max($bottom, $canvas->bottom()) + self::BELOW_ALL,
            title: $this->title->oneLine(),
            description: implode(' ', \array_slice($this->workings->summary->texts(), 0, 2)),
            groups: $canvas->groups(),
            isHorizontal: $isHorizontal,
            colours: $this->finish->colours->value,
            regions: $regions,
            handles: $canvas->handles(),
            paging: $canvas->maybePaging(),
            rows: $canvas->maybeRows(),
        );
    }

    /**
     * @param ?int $rows how many are drawn; null: all
     *
     * @return list<RowNote>
     */
    private function notesOfFirst(?int $rows): array
    {
        if (null === $rows) {
            return $this->options->notes;
        }
        $keys = \array_slice($this->workings->table->keys(), 0, $rows);

        return array_values(
            array_filter($this->options->notes, static fn (RowNote $note): bool => \in_array($note->row, $keys, true)),
        );
    }

    /** @return list<Text> laid out once, however often the chart is measured and drawn */
    private function head(): array
    {
        if (null === $this->head) {
            $canvas = new Canvas($this->finish->width);
            $this->title = TitleBlock::of($this->workings, $this->explanations, $this->finish->title);
            $top = $this->title->write($canvas, Words::message($canvas, $this->finish->message));
            $this->top = $top + self::BELOW_TITLE;
            $this->head = [];
            foreach ($canvas->groups() as $group) {
                foreach ($group->marks as $mark) {
                    $mark instanceof Text && ($this->head[] = $mark);
                }
            }
        }

        return $this->head;
    }
}
