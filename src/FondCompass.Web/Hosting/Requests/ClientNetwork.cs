using System.Net;
using System.Net.Sockets;

namespace FondCompass.Web.Hosting.Requests;

/// <summary>Who asks, by the address.</summary>
public static class ClientNetwork
{
    /// <summary>Bytes of an IPv6 address that name a network: whoever has one has all addresses in it (/64).</summary>
    private const int Prefix = 8;

    /// <summary>The address itself, IPv4 as IPv4; "255.255.255.255" where there is none.</summary>
    public static string AddressOf(IPAddress? address) =>
        (address is null ? IPAddress.None : address.IsIPv4MappedToIPv6 ? address.MapToIPv4() : address).ToString();

    /// <summary>What limits are counted by: an IPv4 address, or the /64 network of an IPv6 one, "2001:db8:1:2::/64".</summary>
    public static string NetworkOf(IPAddress? address)
    {
        if (address is not { AddressFamily: AddressFamily.InterNetworkV6, IsIPv4MappedToIPv6: false })
        {
            return AddressOf(address);
        }

        var bytes = address.GetAddressBytes();
        Array.Clear(bytes, Prefix, bytes.Length - Prefix);
        return $"{new IPAddress(bytes)}/{8 * Prefix}";
    }
}
