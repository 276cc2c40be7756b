<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Reports;

use KeenMargin\App\Export\Slides\Package\DeckRefused;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\FileName;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\ReceivedFile;
use KeenMargin\App\Reports\DeckTemplate;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Document\Given;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** The organisation's own template, which all slides are made in. */
#[Route('/api/template')]
final readonly class TemplateController
{
    public function __construct(private DeckTemplate $template, private WriteTurn $turn) {}

    #[Route('', methods: 'GET')]
    #[Operation('The template of slides, how it is used, and a picture of what it gives', answer: 'DeckTemplates')]
    public function get(): JsonResponse
    {
        return new JsonResponse($this->template->state());
    }

    #[Route('', methods: 'POST')]
    #[Operation('Make all slides in a template', answer: 'DeckTemplates', takesFile: true)]
    public function post(Request $request): JsonResponse
    {
        $file = ReceivedFile::of($request, DeckRefused::isNone());
        $name = FileName::safe($file->getClientOriginalName());
        $this->turn->take(fn () => $this->template->take($file->getPathname(), $name));

        return $this->get();
    }

    #[Route('', methods: 'PATCH')]
    #[Operation(
        'Which layout of the template is used, and which of its colours plays which role',
        answer: 'DeckTemplates',
        body: ['layout?' => 'string', 'roles?' => 'object'],
    )]
    public function patch(Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['layout', 'roles']);
        $layout = $body->maybe('layout')?->text(200) ?? '';
        $roles = array_map(
            static fn (Given $slot): string => $slot->string(20),
            $body->maybe('roles')?->entries() ?? [],
        );
        $this->turn->take(fn () => $this->template->use($layout, $roles));

        return $this->get();
    }

    #[Route('', methods: 'DELETE')]
    #[Operation('Make slides without a template again', answer: 'DeckTemplates')]
    public function delete(): JsonResponse
    {
        $this->turn->take(fn () => $this->template->remove());

        return $this->get();
    }
}
