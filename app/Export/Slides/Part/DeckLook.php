<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Part;

use KeenMargin\App\Export\Slides\Paint\ColourRole;
use KeenMargin\App\Export\Slides\Shape\SlideFrame;

/** How the template of a deck is used: which of its colours plays which role, and where pages are laid out. */
final readonly class DeckLook
{
    /**
     * @param array<string, string> $roles names of theme colours by role
     * @param SlideFrame $room on each slide, in points
     * @param ?int $bodyIndex by which the layout knows its body; null: it does not tell
     */
    public function __construct(public array $roles, public SlideFrame $room, public ?int $bodyIndex) {}

    /** @return array{roles: array<string, string>, room: list<float>, body: ?int} */
    public function toArray(): array
    {
        $room = $this->room;

        return [
            'roles' => $this->roles,
            'room' => [$room->left, $room->top, $room->width, $room->height],
            'body' => $this->bodyIndex,
        ];
    }

    /** Null where it is not as it was written. */
    public static function maybe(mixed $told): ?self
    {
        $room = \is_array($told) ? $told['room'] ?? null : null;
        $roles = \is_array($told) ? $told['roles'] ?? null : null;
        if (!\is_array($room) || !\is_array($roles) || 4 !== \count(array_filter($room, is_numeric(...)))) {
            return null;
        }
        $slots = [];
        foreach (ColourRole::cases() as $role) {
            $slot = $roles[$role->value] ?? null;
            if (!\is_string($slot) || 1 !== preg_match('/^(tx|bg|accent)[1-6]$/', $slot)) {
                return null;
            }
            $slots[$role->value] = $slot;
        }
        $edges = array_map(
            static fn (mixed $edge): float => is_numeric($edge) ? (float) $edge : 0.0,
            array_values($room),
        );
        $body = $told['body'] ?? null;

        return new self(
            $slots,
            new SlideFrame($edges[0], $edges[1], $edges[2], $edges[3]),
            \is_int($body) ? $body : null,
        );
    }
}
