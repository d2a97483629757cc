using System.Security.Cryptography;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Identity;

namespace FondCompass.Web.Accounts.SignIns;

/// <summary>
/// The key in a letter's link, by which a password is chosen: it holds for an hour and opens once. For an account it bears the account's
/// stamp, which
/// the new password changes; for a new one it bears none, and is void as soon as the account exists.
/// </summary>
public sealed class PasswordLinkKey(IDataProtectionProvider keys, UserManager<Instructor> users)
{
    public static readonly TimeSpan Holds = TimeSpan.FromHours(1);

    private const char Between = '\n';

    private readonly ITimeLimitedDataProtector _keys = keys.CreateProtector("FondCompass.Doorkey").ToTimeLimitedDataProtector();

    private readonly ITimeLimitedDataProtector _addresses = keys.CreateProtector("FondCompass.Doorkey", "Address")
        .ToTimeLimitedDataProtector();

    public string For(string email, Instructor? account) => _keys.Protect($"{email}{Between}{account?.SecurityStamp}", Holds);

    /// <summary>The key in the letter to a new address: it bears the account's stamp too, so that a new password makes it void.</summary>
    public string ForAddress(Instructor account, string address) =>
        _addresses.Protect($"{account.Id}{Between}{address}{Between}{account.SecurityStamp}", Holds);

    /// <summary>Which account takes which address by a key; null when it does not hold, was used, or is none.</summary>
    public async Task<(Instructor Account, string Address)?> ReadAddress(string? key)
    {
        try
        {
            return key is { Length: > 0 }
                && _addresses.Unprotect(key).Split(Between) is [var id, var address, var stamp]
                && await users.FindByIdAsync(id) is { } account
                && account.SecurityStamp == stamp
                ? (account, address)
                : null;
        }
        catch (CryptographicException)
        {
            return null;
        }
    }

    /// <summary>Whom a key lets choose a password; null when it does not hold, was used, or is none.</summary>
    public async Task<(string Email, Instructor? Account)?> Read(string? key)
    {
        try
        {
            if (key is not { Length: > 0 } || _keys.Unprotect(key).Split(Between) is not [var email, var stamp])
            {
                return null;
            }

            var account = await users.FindByEmailAsync(email);
            return (account?.SecurityStamp ?? "") == stamp ? (email, account) : null;
        }
        catch (CryptographicException)
        {
            return null;
        }
    }
}
