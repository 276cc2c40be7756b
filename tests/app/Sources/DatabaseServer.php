<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Sources;

use KeenMargin\Tests\app\OwnServer;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

/** PostgreSQL or MariaDB from the system's packages, on a loopback port and in a folder of its own. */
final readonly class DatabaseServer
{
    public const USER = 'reader';
    public const PASSWORD = 'a-password-that-nobody-may-see';
    private const TRIES = 300;

    private function __construct(
        private Process $process,
        private string $folder,
        public int $port,
        public \PDO $admin,
    ) {}

    public static function postgreSql(): self
    {
        $folder = self::folder('postgres');
        $bin = glob('/usr/lib/postgresql/*/bin')[0] ?? '';
        self::run(
            self::as('postgres', ["$bin/initdb", '-D', "$folder/data", '-U', 'admin', '-A', 'trust', '-E', 'UTF8']),
        );
        file_put_contents(
            "$folder/data/pg_hba.conf", "host all admin 127.0.0.1/32 trust\nhost all all 127.0.0.1/32 scram-sha-256\n",
        );
        $port = OwnServer::freePort();
        $process = new Process(
            self::as('postgres', [
                "$bin/postgres", '-D', "$folder/data", '-p', (string) $port, '-k', $folder,
                '-c', 'listen_addresses=127.0.0.1', '-c', 'fsync=off',
            ]),
            timeout: null,
        );
        $admin = self::started($process, "pgsql:host=127.0.0.1;port=$port;dbname=postgres");
        $admin->exec("CREATE ROLE reader LOGIN PASSWORD '".self::PASSWORD."'");
        $admin->exec('GRANT ALL ON SCHEMA public TO reader');

        return new self($process, $folder, $port, $admin);
    }

    public static function mariaDb(): self
    {
        $folder = self::folder('mysql');
        $own = 0 === posix_getuid() ? ['--user=mysql'] : [];
        self::run([
            'mariadb-install-db', '--no-defaults', "--datadir=$folder/data",
            '--auth-root-authentication-method=normal',
            '--skip-test-db', ...$own,
        ]);
        $port = OwnServer::freePort();
        $process = new Process(
            [
                is_file('/usr/sbin/mariadbd') ? '/usr/sbin/mariadbd' : 'mariadbd', '--no-defaults',
                "--datadir=$folder/data", "--port=$port", '--bind-address=127.0.0.1', "--socket=$folder/socket",
                "--pid-file=$folder/pid", ...$own,
            ],
            timeout: null,
        );
        $admin = self::started($process, "mysql:unix_socket=$folder/socket", 'root');
        $admin->exec('CREATE DATABASE ledger');
        $admin->exec("CREATE USER reader IDENTIFIED BY '".self::PASSWORD."'");
        $admin->exec('GRANT ALL ON ledger.* TO reader');
        $admin->exec('GRANT FILE ON *.* TO reader');
        $admin->exec('USE ledger');

        return new self($process, $folder, $port, $admin);
    }

    public function end(): void
    {
        $this->process->stop(20, \SIGINT);
        (new Filesystem())->remove($this->folder);
    }

    private static function folder(string $user): string
    {
        $folder = sys_get_temp_dir().'/keen-db-'.bin2hex(random_bytes(5));
        mkdir($folder, 0o755);
        0 === posix_getuid() && chown($folder, $user);

        return $folder;
    }

    /**
     * PostgreSQL refuses to be run by root.
     *
     * @param list<string> $command
     *
     * @return list<string>
     */
    private static function as(string $user, array $command): array
    {
        return 0 === posix_getuid() ? [
            'setpriv',
            "--reuid=$user",
            "--regid=$user",
            '--clear-groups',
            ...$command,
        ] : $command;
    }

    /** @param list<string> $command */
    private static function run(array $command): void
    {
        (new Process($command, '/tmp', timeout: 300))->mustRun();
    }

    private static function started(Process $process, string $address, string $user = 'admin'): \PDO
    {
        $process->setWorkingDirectory('/tmp');
        $process->start();
        for ($i = 0; $i < self::TRIES; ++$i) {
            try {
                return new \PDO($address, $user, '', [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
            } catch (\PDOException $e) {
                if (!$process->isRunning()) {
                    throw new \RuntimeException($process->getErrorOutput());
                }
                usleep(100_000);
            }
        }
        throw new \RuntimeException("The database did not start: {$e->getMessage()}");
    }
}
