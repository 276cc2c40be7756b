<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Names;

/** One name becomes another, all others stay. */
final readonly class OneName implements NameMap
{
    private function __construct(
        private string $from,
        private string $to,
        private string $kind,
        private ?string $breakdown = null,
    ) {}

    public static function ofMeasure(string $from, string $to): self
    {
        return new self($from, $to, 'measure');
    }

    public static function ofBreakdown(string $from, string $to): self
    {
        return new self($from, $to, 'breakdown');
    }

    public static function ofMember(string $breakdown, string $from, string $to): self
    {
        return new self($from, $to, 'member', $breakdown);
    }

    public function measure(string $name): string
    {
        return 'measure' === $this->kind ? $this->other($name) : $name;
    }

    public function breakdown(string $name): string
    {
        return 'breakdown' === $this->kind ? $this->other($name) : $name;
    }

    public function field(string $name): string
    {
        return 'member' === $this->kind ? $name : $this->other($name);
    }

    public function member(?string $breakdown, string $name): string
    {
        return 'member' === $this->kind && $breakdown === $this->breakdown ? $this->other($name) : $name;
    }

    private function other(string $name): string
    {
        return $name === $this->from ? $this->to : $name;
    }
}
