<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Reach;

use KeenMargin\App\Sources\FetchFailed;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\IpUtils;

/**
 * Where sources may reach: hosts with public addresses, and those that the administrator has listed. A name is looked
 * up once; what is connected to is the address that was looked at.
 */
final readonly class Reach
{
    /** Besides those that IpUtils knows: protocol assignments and multicast. */
    private const SPECIAL = ['192.0.0.0/24', '224.0.0.0/4', 'ff00::/8'];

    /** @var array<string, true> `host:port` */
    private array $listed;
    /** @var \Closure(string): list<string> */
    private \Closure $lookUp;

    /**
     * @param string $listed hosts and ports with commas between them: `ledger.example:8443, 127.0.0.1:8050`
     * @param ?\Closure(string): list<string> $lookUp addresses of a name; null: as the system knows them
     */
    public function __construct(#[Autowire('%env(KEEN_MAY_REACH)%')] string $listed = '', ?\Closure $lookUp = null)
    {
        $names = array_filter(array_map(trim(...), explode(',', strtolower($listed))));
        $this->listed = array_fill_keys($names, true);
        $this->lookUp = $lookUp ?? self::addresses(...);
    }

    /**
     * @param string $host name or address; an IPv6 address may stand in brackets
     *
     * @return string the address to connect to
     *
     * @throws NotAllowed|FetchFailed
     */
    public function insist(string $host, int $port): string
    {
        $name = strtolower(trim($host, '[]'));
        $isAddress = false !== filter_var($name, \FILTER_VALIDATE_IP);
        $addresses = $isAddress ? [$name] : ($this->lookUp)($name);
        if ([] === $addresses) {
            throw new FetchFailed("There is no host $host, or its name cannot be looked up at the moment.");
        }
        if (isset($this->listed["$name:$port"])) {
            return $addresses[0];
        }
        foreach ($addresses as $address) {
            if (IpUtils::checkIp($address, [...IpUtils::PRIVATE_SUBNETS, ...self::SPECIAL])) {
                throw NotAllowed::address($name, $port, $address);
            }
        }

        return $addresses[0];
    }

    /** @return list<string> */
    private static function addresses(string $name): array
    {
        $found = gethostbynamel($name) ?: [];
        foreach (@dns_get_record($name, \DNS_AAAA) ?: [] as $record) {
            if (\is_string($record['ipv6'] ?? null)) {
                $found[] = $record['ipv6'];
            }
        }

        return array_values(array_unique($found));
    }
}
