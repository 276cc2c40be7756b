<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use KeenMargin\App\Export\Slides\Template\Template;
use KeenMargin\App\Export\Slides\Template\TemplateLayout;
use KeenMargin\App\Export\Slides\Template\TemplatePicture;
use KeenMargin\App\Export\Slides\Template\TemplateSource;
use KeenMargin\App\Storage\Reports\KeptTemplate;
use KeenMargin\App\Storage\Reports\TemplateStore;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The organisation's template that all slides are made in. */
final readonly class DeckTemplate implements TemplateSource
{
    /** @param string $project folder, under whose `var/` copies lie that can be lost */
    public function __construct(
        private TemplateStore $store,
        #[Autowire('%kernel.project_dir%')] private string $project,
    ) {}

    public function maybe(): ?Template
    {
        $kept = $this->store->maybe();
        if (null === $kept) {
            return null;
        }
        $folder = "$this->project/var/templates";
        is_dir($folder) || @mkdir($folder, 0o777, true);
        $this->store->write("$folder/$kept->digest.pptx");

        return Template::open("$folder/$kept->digest.pptx")->with($kept->layout, $kept->roles);
    }

    /** @param string $path of the file, which is taken only where it can be used */
    public function take(string $path, string $name): void
    {
        Template::open($path);
        $bytes = (string) file_get_contents($path);
        $this->store->keep(new KeptTemplate(mb_substr($name, 0, 200), hash('sha256', $bytes), '', []), $bytes);
    }

    /**
     * @param string $layout by name; blank: the most suitable
     * @param array<string, string> $roles names of colours by role
     */
    public function use(string $layout, array $roles): void
    {
        $kept = $this->store->maybe();
        if (null !== $kept) {
            $this->maybe()?->with($layout, $roles);
            $this->store->change(new KeptTemplate($kept->name, $kept->digest, $layout, $roles));
        }
    }

    public function remove(): void
    {
        $this->store->remove();
    }

    /** @return array<string, mixed> */
    public function state(): array
    {
        $template = $this->maybe();
        if (null === $template) {
            return ['template' => null];
        }

        return [
            'template' => [
                'name' => $this->store->maybe()->name ?? '',
                'layout' => $template->layout->name,
                'layouts' => array_map(static fn (TemplateLayout $one): string => $one->name, $template->layouts),
                'colours' => $template->colours->colours,
                'roles' => $template->roles,
                'picture' => TemplatePicture::svg($template),
            ],
        ];
    }
}
