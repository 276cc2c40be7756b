<?php

declare(strict_types=1);

/** What goes wrong when it is asked to: kept in the ledger's file, so that it holds over requests. */
final class Faults
{
    public function __construct(private readonly PDO $database) {}

    /**
     * @param array<string, mixed> $told
     *
     * @return array<string, string>
     */
    public function set(array $told): array
    {
        foreach ($told as $name => $value) {
            $this->put((string) $name, (string) $value);
        }

        return $this->database->query('SELECT name, value FROM fault')->fetchAll(PDO::FETCH_KEY_PAIR);
    }

    public function before(): void
    {
        usleep((int) (1_000_000 * (float) $this->get('slow')));
        if ($this->once('fail')) {
            http_response_code(503);
            exit('Not now.');
        }
        if ('' !== $this->get('redirect')) {
            http_response_code(302);
            header('Location: '.$this->get('redirect'));
            exit;
        }
    }

    /** @return ?array{string, string, string} other names of columns */
    public function columns(): ?array
    {
        return $this->once('columns') ? ['Day', 'Account', 'Freight (EUR)'] : null;
    }

    /** Ends the answer before it is whole. */
    public function cutOff(string $text): void
    {
        if ($this->once('cut')) {
            header('Content-Length: '.(strlen($text) + 10_000));
            echo substr($text, 0, intdiv(strlen($text), 2));
            exit;
        }
    }

    /** Goes on for as long as somebody listens. */
    public function endless(string $header): void
    {
        if ($this->once('endless')) {
            echo $header;
            while (true) {
                echo str_repeat("2026-08-03,Without an end,1\n", 40_000);
                flush();
            }
        }
    }

    private function once(string $name): bool
    {
        $left = (int) $this->get($name);
        if ($left > 0) {
            $this->put($name, (string) ($left - 1));
        }

        return $left > 0;
    }

    private function get(string $name): string
    {
        $statement = $this->database->prepare('SELECT value FROM fault WHERE name = ?');
        $statement->execute([$name]);

        return (string) $statement->fetchColumn();
    }

    private function put(string $name, string $value): void
    {
        $this->database->prepare('INSERT OR REPLACE INTO fault VALUES (?, ?)')->execute([$name, $value]);
    }
}
