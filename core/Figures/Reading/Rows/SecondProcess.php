<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

/**
 * Work that a copy of this process does beside it. It tells values, one after the other; where it fails, or is killed,
 * it tells fewer of them, and who needs them has to do the work.
 */
final class SecondProcess
{
    private const HEAD = 8;
    private const CLASSES = [HalfRead::class, SeriesSlice::class];

    /** @param ?resource $told null: it was ended */
    private function __construct(private readonly int $id, private mixed $told) {}

    /**
     * @param \Closure(): iterable<object> $work of classes that are named above
     *
     * @return ?self null where there is no second process to be had: within a web server, or without its functions
     */
    public static function maybe(\Closure $work): ?self
    {
        if ('cli' !== \PHP_SAPI || !\function_exists('pcntl_fork') || !\function_exists('posix_kill')) {
            return null;
        }
        // Where the system has no room for one more, this process does the work alone.
        $ends = @stream_socket_pair(\STREAM_PF_UNIX, \STREAM_SOCK_STREAM, 0);
        if (false === $ends) {
            return null;
        }
        $id = @pcntl_fork();
        if (0 === $id) {
            self::tell($ends[1], $work);
        }
        fclose($ends[1]);

        return $id < 0 ? null : new self($id, $ends[0]);
    }

    /** What it tells next; null where it has told all, or failed. */
    public function maybeNext(): ?object
    {
        $head = $this->bytes(self::HEAD);
        /** @var array{1: int}|false $length */
        $length = self::HEAD === \strlen($head) ? unpack('J', $head) : false;
        $bytes = false === $length ? '' : $this->bytes($length[1]);
        $isWhole = false !== $length && \strlen($bytes) === $length[1];
        $value = $isWhole ? unserialize($bytes, ['allowed_classes' => self::CLASSES]) : null;

        return \is_object($value) ? $value : null;
    }

    /** Whatever it is still doing is not wanted any more. */
    public function end(): void
    {
        if (null !== $this->told) {
            fclose($this->told);
            $this->told = null;
            posix_kill($this->id, \SIGKILL);
            pcntl_waitpid($this->id, $status);
        }
    }

    private function bytes(int $wanted): string
    {
        return null === $this->told || $wanted < 1 ? '' : (string) stream_get_contents($this->told, $wanted);
    }

    /**
     * @param resource $to
     * @param \Closure(): iterable<object> $work
     */
    private static function tell(mixed $to, \Closure $work): never
    {
        try {
            foreach ($work() as $value) {
                $bytes = serialize($value);
                $bytes = pack('J', \strlen($bytes)).$bytes;
                while ('' !== $bytes) {
                    $written = @fwrite($to, $bytes);
                    $bytes = false === $written || 0 === $written ? '' : substr($bytes, $written);
                }
            }
        } catch (\Throwable) {
            // The first process finds the same, and says it.
        }
        fclose($to);
        // It does not end as a process does: transactions and files that are open here are those of the first one.
        while (true) {
            posix_kill((int) getmypid(), \SIGKILL);
        }
    }
}
