<?php

declare(strict_types=1);

namespace KeenMargin\App\Command;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Jobs\JobShelf;
use KeenMargin\App\Work\CurrentJob;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\HttpKernelInterface;

/** Does a job: handles its request, and keeps the answer for whoever asks for it. */
#[AsCommand('keen:work', 'Does one job', hidden: true)]
final class WorkCommand extends Command
{
    /** Jobs that are worked on at the same time; the others wait. */
    private const SLOTS = 2;
    /** Milliseconds that a job waits for its turn to write. */
    private const PATIENCE = 900_000;

    public function __construct(
        private readonly JobShelf $shelf,
        private readonly CurrentJob $current,
        private readonly HttpKernelInterface $kernel,
        private readonly Connection $connection,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('id', InputArgument::REQUIRED);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $id = $input->getArgument('id');
        \assert(\is_string($id));
        $folder = $this->shelf->maybeFolder($id);
        $lock = null === $folder ? null : $this->shelf->maybeTaken($id);
        if (null === $folder || null === $lock) {
            return CommandRefusal::say($output, "There is no job $id that could be done.");
        }
        $slot = self::slot(\dirname($folder));
        touch("$folder/begun");
        $this->connection->executeStatement('PRAGMA busy_timeout = '.self::PATIENCE);
        $this->current->begin($id, $folder);
        $response = $this->kernel->handle(self::request($this->shelf->asked($id)));
        $this->shelf->end($id, self::ended($response, $folder));
        fclose($slot);
        fclose($lock);

        return self::SUCCESS;
    }

    /** @return resource that is held while it works */
    private static function slot(string $folder): mixed
    {
        for (;; usleep(50_000)) {
            for ($i = 1; $i <= self::SLOTS; ++$i) {
                $slot = fopen("$folder/slot-$i", 'c');
                if (\is_resource($slot) && flock($slot, \LOCK_EX | \LOCK_NB)) {
                    return $slot;
                }
            }
        }
    }

    /** @param array<string, mixed> $asked as Deferral wrote it */
    private static function request(array $asked): Request
    {
        $text = static fn (mixed $value): string => \is_string($value) ? $value : '';
        $server = ['HTTP_HOST' => $text($asked['host'] ?? '')];
        foreach (\is_array($asked['headers'] ?? null) ? $asked['headers'] : [] as $name => $value) {
            $key = strtoupper(strtr((string) $name, '-', '_'));
            $server['CONTENT_TYPE' === $key ? $key : "HTTP_$key"] = $text($value);
        }

        return Request::create(
            $text($asked['path'] ?? '/'),
            $text($asked['method'] ?? 'GET'),
            server: $server,
            content: $text($asked['body'] ?? ''),
        );
    }

    /** @return array<string, mixed> */
    private static function ended(Response $response, string $folder): array
    {
        $headers = array_map(static fn (string $name): string => (string) $response->headers->get($name), [
            'type' => 'Content-Type',
            'disposition' => 'Content-Disposition',
        ]);
        if ($response instanceof BinaryFileResponse) {
            $path = $response->getFile()->getPathname();
            @rename($path, "$folder/file") || copy($path, "$folder/file");
            @unlink($path);

            return [
                'status' => $response->getStatusCode(),
                'headers' => ['Content-Type' => $headers['type'], 'Content-Disposition' => $headers['disposition']],
            ];
        }
        $answer = json_decode((string) $response->getContent(), true);

        return ['status' => $response->getStatusCode(), 'answer' => \is_array($answer) ? $answer : []];
    }
}
