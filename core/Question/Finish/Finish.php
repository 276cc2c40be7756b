<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Finish;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Shape\Choice;
use KeenMargin\Core\Document\Shape\Key;
use KeenMargin\Core\Document\Shape\NumberForm;
use KeenMargin\Core\Document\Shape\Shape;
use KeenMargin\Core\Document\Shape\ShapeKey;
use KeenMargin\Core\Document\Shape\Toggle;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Number\Unit;
use KeenMargin\Core\Question\Part\RowKey;

/** The looks of a chart: nothing in it adds, removes or changes a row or a number. */
final readonly class Finish
{
    public const NARROWEST = 360;
    public const WIDEST = 1920;
    public const LOWEST = 180;
    public const HIGHEST = 2400;

    /** Keys of older recipes, which now stand elsewhere. */
    public const FORMER = ['landing' => 'Part of the question now; read here from recipes made before version 0.2.'];

    /**
     * @param 'en'|'de'|'fr' $locale
     * @param list<RowKey> $highlight
     */
    public function __construct(
        #[Key('how large numbers are written', 'the one that gives the largest amount three or four digits')]
        #[Choice('Unit', ['' => 'as it fits', '1' => '1', 'k' => 'k', 'm' => 'm', 'bn' => 'bn'])]
        public ?Unit $unit = null,
        #[Key('digits after the point', 'as many as the unit asks for', most: 6)]
        #[Choice('Decimals', ['' => 'as it fits', '0' => '0', '1' => '1', '2' => '2'])]
        public ?int $decimals = null,
        #[Key('which values bear a label; of all, as many as there is room for')]
        #[Choice('Labels', ['all' => 'all', 'extremes' => 'ends and extremes', 'none' => 'none'])]
        public Labels $labels = Labels::All,
        #[Key('in points', least: self::NARROWEST, most: self::WIDEST)]
        public int $width = 880,
        #[Key('how numbers are written', oneOf: ['en', 'de', 'fr'])]
        #[Choice('Numbers', ['en' => '1,234.5', 'de' => '1.234,5', 'fr' => '1 234,5'])]
        public string $locale = 'en',
        #[Key(
            'which tiers there are, or what labels tell',
            '`both` of tiers, `percent` of a gap line, else `amount`',
            ofKinds: true,
        )]
        public ?VarianceForm $variance = null,
        #[Key('whether variances are as long per unit as the values', ofKinds: true)]
        #[Toggle('Variances as long per unit as the values')]
        public bool $sameLength = true,
        #[Key('of nested columns, a thin bar from the lower to the higher top', ofKinds: true)]
        #[Toggle('A thin bar over the gap')]
        public bool $gap = false,
        #[Key('of target marks', ofKinds: true)]
        #[Choice('Mark', ['tick' => 'tick', 'dot' => 'dot'])]
        public TargetMark $mark = TargetMark::Tick,
        #[Key(
            'the percentage at which longer pins are cut, with an arrow head and their true label',
            'where outliers begin',
            number: NumberForm::Percentage,
            ofKinds: true,
        )]
        public ?BigDecimal $limit = null,
        #[Key('bars for periods, columns for members (where their names have room)', ofKinds: true)]
        #[Toggle('Turn: columns side by side', overTime: 'Turn: bars from top to bottom')]
        public bool $turn = false,
        #[Key('totals set apart that would dwarf the rows are cut alike, and bear a break mark', ofKinds: true)]
        #[Toggle('Cut totals that would dwarf the rows')]
        public bool $cut = true,
        #[Key(
            'of rows, a period or member by its key, a sum as `total`, `other`, `landing`; in several panels '
            .'`{"panel": "North", "row": "2026-08"}`, or `{"others": true, "sum": "total"}`',
            'none',
            items: RowKey::class,
            isWords: true,
        )]
        public array $highlight = [],
        #[Key(
            'in points; never less than the labels need',
            'as the kind has it',
            least: self::LOWEST,
            most: self::HIGHEST,
        )]
        public ?int $height = null,
        #[Key('what colours tell; `greys` say the same by lightness only, for grey print')]
        #[Choice('Colours', ['effect' => 'by effect', 'greys' => 'greys'])]
        public Colours $colours = Colours::Effect,
        #[Key(
            'lines in place of the composed ones; the unit still follows `what`, unless the line says one itself '
            .'(`Fares in thousands`)',
            'composed from the question',
            isWords: true,
        )]
        public TitleLines $title = new TitleLines(),
        #[Key(
            'the sentence above the title, and which of its numbers were taken from the workings: '
            .'`{"text": "…", "numbers": [{"said": "48", "row": "total", "column": "variance:BU", "exact": "48000"}]}`. '
            .'A check fails once one of them is another',
            'none',
            isWords: true,
        )]
        public ?Message $message = null,
        #[Key('below the chart', 'none', most: 600, isWords: true)]
        public ?string $footnote = null,
        #[Key('whether notes are numbered in the chart')]
        #[Toggle('Number the notes in the chart')]
        public bool $notes = true,
        #[Key('the named finish that it was taken from', 'none', isWords: true)]
        public ?string $named = null,
        #[Key('of variance tiers, where values are written: within only where all have room across', ofKinds: true)]
        #[Choice('Values', ['outside' => 'at the end', 'inside' => 'within'])]
        public LabelPosition $labelsAt = LabelPosition::Outside,
        #[Key(
            'of waterfalls, what colours tell: for the better or the worse, up or down',
            '`effect` of a bridge, else `sign`',
            ofKinds: true,
        )]
        #[Choice('Steps', ['' => 'as usual', 'effect' => 'by effect', 'sign' => 'by sign'])]
        public ?StepColours $steps = null,
        #[Key('of waterfalls; a share is of the total, of a bridge of all steps of the same sign', ofKinds: true)]
        #[Choice('At steps', ['amount' => 'amount', 'share' => 'share', 'both' => 'both'])]
        public StepLabels $stepLabels = StepLabels::Amount,
        #[Key('of waterfalls, a dot at the running total whose area is the share', ofKinds: true)]
        #[Toggle('A dot at the running total for each share')]
        public bool $dots = false,
        #[Key(
            'of gauges, either of them; a value beyond an end stops there with an open arrow head',
            'found: from nought or below the least, to the last limit, 100 of percentages, or a round number',
            ofKinds: true,
        )]
        public ScaleEnds $ends = new ScaleEnds(),
        #[Key(
            'of bullets and thermometers: one length per unit, each as long as there is room, or in percent of its '
            .'target or goal',
            ofKinds: true,
        )]
        #[Choice('Lengths', ['shared' => 'one scale', 'own' => 'own scales', 'target' => '% of target'])]
        public ScaleForm $scale = ScaleForm::Shared,
    ) {}

    public function highlights(RowKey $row): bool
    {
        foreach ($this->highlight as $one) {
            if ($one->is($row)) {
                return true;
            }
        }

        return false;
    }

    /** Without height, footnote and message. */
    public function bare(): self
    {
        return With::of($this, ['height' => null, 'footnote' => null, 'message' => null]);
    }

    /** These looks on a chart that has words and rows of its own. */
    public function onto(self $chart, ?string $named): self
    {
        $words = array_filter(Shape::of(self::class)->keys, static fn (ShapeKey $key): bool => $key->key->isWords);
        $own = array_intersect_key(get_object_vars($chart), $words);

        return With::of($this, ['named' => $named] + $own);
    }

    public function wide(int $width): self
    {
        return With::of($this, ['width' => max(self::NARROWEST, min(self::WIDEST, $width))]);
    }
}
