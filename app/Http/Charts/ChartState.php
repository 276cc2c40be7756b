<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Charts;

use KeenMargin\App\Checking\DatasetFindings;
use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\ChartRecord;
use KeenMargin\App\Storage\Series\OpenDatasets;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Checks\MessageCheck;

/** A named chart as the API tells it. */
final readonly class ChartState
{
    public function __construct(
        private OpenDatasets $datasets,
        private DatasetFindings $findings,
        private ChartKinds $kinds,
        private KeptDocuments $documents,
    ) {}

    /** @return array<string, mixed> */
    public function of(ChartRecord $chart): array
    {
        return $this->told($chart, $this->documents->recipe($chart->recipe));
    }

    /**
     * @param array<string, mixed> $recipe its own, with names
     *
     * @return array<string, mixed>
     */
    private function told(ChartRecord $chart, array $recipe): array
    {
        return [
            'id' => $chart->id,
            'version' => $chart->version,
            'name' => $chart->name,
            'dataset' => $chart->dataset->id,
            'datasetName' => $chart->dataset->name,
            'recipe' => $recipe,
            'names' => $this->documents->known->latest(),
            'savedAt' => $chart->savedAt->format(\DateTimeInterface::ATOM),
        ];
    }

    /**
     * @return array<string, mixed> with what a list marks: whether it can still be drawn, is behind, or stands on
     *                              figures that fail a check
     */
    public function listed(ChartRecord $chart): array
    {
        $recipe = $this->documents->recipe($chart->recipe);
        $document = Given::kept($recipe);

        return $this->told($chart, $recipe) + [
            'pictured' => "{$chart->version}.{$chart->dataset->version}.{$chart->dataset->revision}",
            'troubles' => array_values(
                array_filter([
                    $this->maybeUnfit($chart, $document) ?? $this->maybeStale($chart, $document),
                    $this->maybeFailing($chart),
                ]),
            ),
            'behind' => $this->maybeBehind($chart, $document),
        ];
    }

    private function maybeUnfit(ChartRecord $chart, Given $document): ?string
    {
        $dataset = $this->datasets->figures($chart->dataset)->dataset();
        try {
            RecipeFit::insist(RecipeReader::read($document, $this->kinds, $dataset->calendar), $dataset);
        } catch (NotAccepted $e) {
            return "Cannot be drawn any more. $e->reason";
        }

        return null;
    }

    /** A message whose numbers are others by now. */
    private function maybeStale(ChartRecord $chart, Given $document): ?string
    {
        $figures = $this->datasets->figures($chart->dataset);
        try {
            $recipe = RecipeReader::read($document, $this->kinds, $figures->dataset()->calendar);
            $message = $recipe->finish->message;
            $check =
                null === $message || [] === $message->kept()
                    ? null
                    : MessageCheck::of($message, Drawing::workings($recipe, $figures, $this->kinds));
        } catch (NotAccepted $e) {
            return "Cannot be drawn any more. $e->reason";
        }

        return null === $check || $check->holds ? null : "$check->says.";
    }

    private function maybeFailing(ChartRecord $chart): ?string
    {
        $failing = $this->findings->failing($chart->dataset);

        return null === $failing || 0 === $failing
            ? null
            : Wording::count($failing, 'check of its figures fails.', 'checks of its figures fail.');
    }

    /** A chart that pins a closing period earlier than that of its dataset. */
    private function maybeBehind(ChartRecord $chart, Given $document): ?string
    {
        $dataset = $this->datasets->figures($chart->dataset)->dataset();
        try {
            $own = RecipeReader::read($document, $this->kinds, $dataset->calendar)->question->closedThrough;
        } catch (NotAccepted) {
            return null;
        }
        $closing = $dataset->maybeClosing();

        return null !== $own && null !== $closing && $closing->isAfter($own)
            ? 'Closed through '.
                    PeriodNames::full($own).
                    '; its figures through '.
                    PeriodNames::full($closing).
                    '.'
            : null;
    }
}
