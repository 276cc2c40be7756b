<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Workings;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Question\Document\QuestionReader;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\About\Note;
use KeenMargin\Core\Workings\About\NotesInChart;
use KeenMargin\Core\Workings\About\NoteTarget;
use KeenMargin\Core\Workings\About\RowTarget;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowNote;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Notes belong to a measure, a period and members, not to a picture. */
final class NotesTest extends TestCase
{
    private const CSV =
        "Month,Route,Class,Actual,Budget\n2025-08,North,Foot,1,1\n2026-07,North,Foot,1,1\n".
        "2026-08,North,Foot,2,2\n2026-08,Holm,Foot,2,2\n2026-09,North,Vehicle,,3\n";

    /** @param array<string, mixed> $question */
    private static function workings(array $question): Workings
    {
        return Drawing::workings(Written::recipe($question), Written::figures(self::CSV), ChartKinds::all());
    }

    /** @param array<string, mixed> $question */
    #[TestWith([[], '2026-08'])]
    #[TestWith([['closedThrough' => '2026-07'], '2026-07'])]
    #[TestWith([['closedThrough' => '2026-07-09'], '2026-07-09'])]
    public function testOfDailyFiguresANoteIsAboutTheMonth(array $question, string $period): void
    {
        $figures = Written::figures("Day,Route,Actual\n2026-07-03,North,1\n2026-08-11,North,2\n2026-08-12,Holm,2\n");
        $recipe = Written::recipe($question + ['by' => 'Route']);
        $workings = Drawing::workings($recipe, $figures, ChartKinds::all());
        self::assertSame(
            $period, RowTarget::maybe($workings->table->rows[0], $workings, $recipe->question)?->period?->key(),
        );
    }

    /** @param list<array<string, mixed>> $place filters */
    private static function note(int $id, string $period, array $place = [], string $measure = 'Amount'): Note
    {
        $filters = array_map(
            static fn (array $filter) => QuestionReader::filter(
                Given::json(json_encode($filter, \JSON_THROW_ON_ERROR)),
            ),
            $place,
        );

        return new Note($id, $measure, Period::of($period), NoteTarget::of($filters)->key(), "Note $id");
    }

    /**
     * @param array<string, mixed> $question
     * @param list<Note> $notes
     *
     * @return array<int, string> rows by the number of the note
     */
    private static function numbered(array $question, array $notes): array
    {
        return array_column(
            array_map(
                static fn (RowNote $note): array => [$note->number, $note->row],
                (new NotesInChart($notes, Written::recipe($question)->question))->in(self::workings($question)),
            ),
            1,
            0,
        );
    }

    public function testTheyAreNumberedInTheOrderOfTheRows(): void
    {
        self::assertSame(
            [1 => '2026-07', 2 => '2026-08', 3 => '2026-08'],
            self::numbered([], [self::note(1, '2026-08'), self::note(2, '2026-07'), self::note(3, '2026-08')]),
        );
    }

    public function testAugustsNoteStaysWithAugustWhenTheBooksMoveOn(): void
    {
        $notes = [self::note(1, '2026-08', [['field' => 'Route', 'in' => ['North']]])];
        $question = ['by' => 'Route', 'span' => 'year to date'];
        self::assertSame([1 => 'North'], self::numbered($question + ['closedThrough' => '2026-08'], $notes));
        self::assertSame([], self::numbered($question + ['closedThrough' => '2026-07'], $notes));
        self::assertSame(
            [1 => '2026-08'],
            self::numbered(
                ['closedThrough' => '2026-07', 'where' => [['field' => 'Route', 'in' => ['North']]]], $notes,
            ),
        );
    }

    public function testItIsFoundHoweverAChartCameToTheSameMembers(): void
    {
        $notes = [
            self::note(1, '2026-08', [['field' => 'Class', 'in' => ['Foot']], ['field' => 'Route', 'in' => ['North']]]),
        ];
        $months = ['span' => ['from' => '2026-08', 'to' => '2026-08']];
        self::assertSame(
            [1 => '2026-08'],
            self::numbered(
                ['where' => [['field' => 'Route', 'in' => ['North']], ['field' => 'Class', 'in' => ['Foot']]]], $notes,
            ),
        );
        self::assertSame(
            [1 => 'North'],
            self::numbered($months + ['by' => 'Route', 'where' => [['field' => 'Class', 'in' => ['Foot']]]], $notes),
        );
        self::assertSame([1 => 'North/Foot'], self::numbered($months + ['by' => 'Class', 'each' => 'Route'], $notes));
        self::assertSame([], self::numbered($months + ['by' => 'Route'], $notes));
    }

    public function testAQuarterHasTheNotesOfItsMonths(): void
    {
        self::assertSame([1 => '2026-Q3'], self::numbered(['by' => 'quarter'], [self::note(1, '2026-08')]));
        self::assertSame([], self::numbered(['by' => 'month'], [self::note(1, '2026-Q3')]));
    }

    public function testOneOfAnotherMeasureIsNone(): void
    {
        self::assertSame([], self::numbered([], [self::note(1, '2026-08', [], 'Fuel')]));
    }

    public function testThoseOfTheSameRowAYearBeforeAreOffered(): void
    {
        $question = Written::recipe()->question;
        $earlier = (new NotesInChart(
            [self::note(1, '2025-08'), self::note(2, '2025-07'), self::note(3, '2024-08')], $question,
        ))->aYearBefore(self::workings([]));
        self::assertSame([2, 1], [$earlier['2026-07'][0]->id, $earlier['2026-08'][0]->id]);
        self::assertArrayHasKey('2025-08', $earlier);
    }

    public function testAListWithoutPeriodsHasNotesToo(): void
    {
        $figures = Written::figures("Step,Amount\nFares,5\nFuel,3\n");
        $recipe = Written::recipe(['by' => 'Step']);
        $workings = Drawing::workings($recipe, $figures, ChartKinds::all());
        $place = RowTarget::maybe($workings->table->rowsByKey()['Fuel'], $workings, $recipe->question);
        self::assertNull($place?->period);
        $note = new Note(1, 'Amount', null, $place?->place->key() ?? '', 'Dear');
        self::assertSame(['Fuel'], array_column((new NotesInChart([$note], $recipe->question))->in($workings), 'row'));
        self::assertSame([], (new NotesInChart([$note], $recipe->question))->aYearBefore($workings));
    }

    public function testWhatIsGatheredHasNoPlaceOfItsOwn(): void
    {
        $question = ['by' => 'Route', 'top' => 1];
        $workings = self::workings($question);
        $places = array_map(
            static fn (Row $row): ?RowTarget => RowTarget::maybe($row, $workings, Written::recipe($question)->question),
            $workings->table->rows,
        );
        self::assertSame(
            [true, false, true],
            array_map(static fn (?RowTarget $place): bool => null !== $place, $places),
        );
    }

    public function testMembersAndFiltersStandInAnOrderOfTheirOwn(): void
    {
        $filter = static fn (string $json) => QuestionReader::filter(Given::json($json));
        $one = NoteTarget::of([
            $filter('{"field":"Route","in":["Holm","North"]}'), $filter('{"field":"Class","notIn":["Foot"]}'),
        ]);
        $other = NoteTarget::of([
            $filter('{"field":"Class","notIn":["Foot"]}'), $filter('{"field":"Route","in":["North","Holm"]}'),
        ]);
        self::assertSame($one->key(), $other->key());
    }
}
