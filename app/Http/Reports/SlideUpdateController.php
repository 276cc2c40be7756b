<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Reports;

use KeenMargin\App\Export\Report\ReportSlides;
use KeenMargin\App\Export\Slides\Package\DeckRefused;
use KeenMargin\App\Export\Slides\Update\DeckUpdate;
use KeenMargin\App\Export\Slides\Update\UpdateEntry;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\ReceivedFile;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Reports\OpenReports;
use KeenMargin\App\Reports\StoredOrigin;
use KeenMargin\Core\Report\Layout\ReportPages;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Decks that were made of a report and worked on by hand, brought up to date. Nothing of them is kept here. */
#[Route('/api/reports/{id}/deck', requirements: ['id' => Records::ID], methods: 'POST')]
final readonly class SlideUpdateController
{
    public function __construct(private Records $records, private OpenReports $open, private StoredOrigin $origin) {}

    #[Route('/changes')]
    #[Operation('What bringing a deck up to date would do to it', answer: 'DeckChanges', takesFile: true)]
    public function changes(int $id, Request $request): JsonResponse
    {
        return new JsonResponse([
            'entries' => array_map(
                static fn (UpdateEntry $entry): array => [
                    'kind' => $entry->kind->value,
                    'slide' => $entry->slide,
                    'what' => $entry->what,
                    'says' => $entry->says,
                ],
                $this->updated($id, $request)->entries(),
            ),
        ]);
    }

    #[Route('')]
    #[Operation('The deck with the report as it is now', media: [ReportSlides::MEDIA_TYPE], takesFile: true)]
    public function deck(int $id, Request $request): Response
    {
        $bytes = $this->updated($id, $request)->bytes();
        $record = $this->records->report($id);
        $closing = $this->open->of($record)->closingLabel();

        return ReportPageController::file($bytes, trim("$record->title $closing"), new ReportSlides());
    }

    /** @throws DeckRefused */
    private function updated(int $id, Request $request): DeckUpdate
    {
        $record = $this->records->report($id);
        $file = ReceivedFile::of($request, DeckRefused::isNone());
        $pages = new ReportPages($this->open->of($record), new \DateTimeImmutable());

        return (new ReportSlides())->update($file->getPathname(), $pages, $this->origin->of($record));
    }
}
