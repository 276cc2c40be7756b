<?php

declare(strict_types=1);

namespace KeenMargin\Tests\storm;

/** A user's own row of a dataset that all change at once: each amount is the last one that was acknowledged. */
final class SharedRow
{
    /**
     * @var array<string, list<string>> what each month may hold: the acknowledged amount, and those whose answer was
     *                                  lost since
     */
    private array $may = [];
    /** @var list<string> */
    public array $wrong = [];
    private int $count = 0;

    public function __construct(
        private readonly Client $client,
        private readonly int $dataset,
        private readonly string $row,
    ) {}

    public function step(): void
    {
        $month = \sprintf('2026-%02d', mt_rand(1, 6));
        $amount = (string) ++$this->count;
        $answer = $this->client->send('POST', "/api/datasets/$this->dataset/edits", [
            'measure' => 'Amount',
            'by' => 'Route',
            'rows' => [$this->row],
            'periods' => [['key' => $month, 'scenario' => 'AC']],
            'amounts' => [[$amount]],
            'newRows' => true,
        ]);
        if (200 === $answer->status) {
            $this->may[$month] = [$amount];
        } elseif (
            !\in_array($answer->status, [507, 422, 412], true) && !str_contains($answer->text('detail'), 'Nothing')
        ) {
            $this->may[$month] = [...$this->may[$month] ?? [''], $amount];
            // It may still be underway, and must not come after the next one.
            sleep(7);
        }
    }

    public function verify(): void
    {
        $table = $this->client->send('POST', "/api/datasets/$this->dataset/tables", [
            'by' => 'Route',
            'scenario' => 'AC',
        ]);
        $months = array_map(
            static fn (mixed $period): string => \is_array($period) && \is_string($period['key']) ? $period['key'] : '',
            (array) $table->at('periods'),
        );
        $held = [];
        foreach (array_keys((array) $table->at('rows')) as $i) {
            if ($this->row === $table->at('rows', $i, 'member')) {
                [] === $held || ($this->wrong[] = "$this->row is there twice");
                $held = array_combine(
                    $months,
                    array_map(
                        static fn (mixed $cell): string => \is_string($cell) ? str_replace(',', '', $cell) : '',
                        (array) $table->at('rows', $i, 'cells'),
                    ),
                );
            }
        }
        foreach ($this->may as $month => $amounts) {
            if (!\in_array($held[$month] ?? '', $amounts, true)) {
                $this->wrong[] =
                    "$this->row, $month holds ".
                    ($held[$month] ?? 'nothing').
                    ' and not '.
                    implode(' or ', $amounts);
            }
        }
    }
}
