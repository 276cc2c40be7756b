<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Template;

use KeenMargin\App\Export\Slides\Given\OldDeck;
use KeenMargin\App\Export\Slides\Given\OldShape;
use KeenMargin\App\Export\Slides\Given\OldSlide;
use KeenMargin\App\Export\Slides\Package\DeckRefused;
use KeenMargin\App\Export\Slides\Package\OpenedPackage;
use KeenMargin\App\Export\Slides\Package\Xml;
use KeenMargin\App\Export\Slides\Paint\ColourRole;
use KeenMargin\App\Export\Slides\Part\DeckLook;

/** The organisation's own template: its masters, layouts and theme, and where pages of reports fit into it. */
final readonly class Template
{
    private const MOST_SHAPES = 5_000;
    /** In points: charts cannot be read in less. */
    private const LEAST_WIDTH = 240.0;
    private const LEAST_HEIGHT = 140.0;

    /**
     * @param string $path of the file
     * @param non-empty-list<TemplateLayout> $layouts the most suitable first
     * @param TemplateLayout $layout that pages are put on
     * @param array<string, string> $roles names of colours by role
     */
    private function __construct(
        public string $path,
        public array $layouts,
        public TemplateColours $colours,
        public TemplateLayout $layout,
        public array $roles,
    ) {}

    /** @throws DeckRefused where it is no presentation, or none of its layouts has a title and a body */
    public static function open(string $path): self
    {
        $package = OpenedPackage::open($path);
        $deck = OldDeck::of($package);
        $layouts = [];
        $masters = $deck->masters();
        $first = $masters[0] ?? throw DeckRefused::lacksRoom();
        $colours = TemplateColours::of(
            $package->xml($deck->maybeRelated($first, 'theme') ?? throw DeckRefused::isBroken($first)),
            $package->xml($first),
        );
        foreach ($masters as $master) {
            $shapes = self::placeholders($package, $master);
            foreach ($deck->allRelated($master, 'slideLayout') as $part) {
                $layout = self::maybeLayout($package, $part, $shapes);
                null === $layout || $layouts[] = $layout;
            }
        }
        if ([] === $layouts) {
            throw DeckRefused::lacksRoom();
        }
        usort(
            $layouts,
            static fn (TemplateLayout $one, TemplateLayout $other): int => $other->body->area() <=> $one->body->area(),
        );

        return new self($path, $layouts, $colours, $layouts[0], $colours->guessed());
    }

    /**
     * With another layout, and other colours for some roles.
     *
     * @param string $layout its name; blank: the most suitable
     * @param array<string, string> $roles names of colours by role
     *
     * @throws DeckRefused where the template has none of that name
     */
    public function with(string $layout, array $roles): self
    {
        $known = array_map(static fn (TemplateLayout $one): string => $one->name, $this->layouts);
        $place = '' === $layout ? 0 : array_search($layout, $known, true);
        if (false === $place) {
            throw DeckRefused::hasNoLayout($layout, $known);
        }
        foreach ($roles as $role => $slot) {
            if (null === ColourRole::tryFrom($role) || !isset($this->colours->colours[$slot])) {
                throw DeckRefused::hasNoColour(
                    "$role=$slot", array_column(ColourRole::cases(), 'value'), array_keys($this->colours->colours),
                );
            }
        }

        return new self($this->path, $this->layouts, $this->colours, $this->layouts[$place], $roles + $this->roles);
    }

    /** @param array<string, OldShape> $ofMaster its placeholders by type */
    private static function maybeLayout(OpenedPackage $package, string $part, array $ofMaster): ?TemplateLayout
    {
        $own = self::placeholders($package, $part);
        $title = $own['title'] ?? null;
        $body = $own['body'] ?? null;
        $titleFrame = $title->frame ?? ($ofMaster['title'] ?? null)?->frame;
        $bodyFrame = $body->frame ?? ($ofMaster['body'] ?? null)?->frame;
        if (null === $title || null === $body || null === $titleFrame || null === $bodyFrame) {
            return null;
        }
        $isRoom = $bodyFrame->width >= self::LEAST_WIDTH && $bodyFrame->height >= self::LEAST_HEIGHT;
        $name = 1 === preg_match('~<(?:\w+:)?cSld\b[^>]*>~', $package->xml($part), $found)
            ? Xml::attribute($found[0], 'name')
            : '';
        $index = Xml::attribute((string) $body->placeholder(), 'idx');

        return $isRoom
            ? new TemplateLayout($part, $name, $titleFrame, $bodyFrame, '' === $index ? null : (int) $index)
            : null;
    }

    /** @return array<string, OldShape> a title, and of bodies the largest */
    private static function placeholders(OpenedPackage $package, string $part): array
    {
        $shapes = [];
        foreach (OldSlide::read($package->xml($part), $part, self::MOST_SHAPES)->all() as $shape) {
            $kind = match ($shape->maybePlaceholder()) {
                'title' => 'title',
                'body', 'obj' => 'body',
                default => null,
            };
            $known = null === $kind ? null : $shapes[$kind] ?? null;
            if (null !== $kind && (null === $known || self::area($shape) > self::area($known))) {
                $shapes[$kind] = $shape;
            }
        }

        return $shapes;
    }

    private static function area(OldShape $shape): float
    {
        return $shape->frame?->area() ?? 0.0;
    }

    /** How decks use it. */
    public function look(): DeckLook
    {
        return new DeckLook($this->roles, $this->layout->body, $this->layout->bodyIndex);
    }
}
