using System.Security.Cryptography;
using System.Text;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Identity;

namespace FondCompass.Web.Accounts;

/// <summary>
/// Passwords are judged by their length and by what is tried first: a shipped list of common ones (as digests, scripts/common-passwords),
/// also with
/// digits and signs around them or said twice, and the account's own address. No letters are demanded.
/// </summary>
internal sealed class CommonPasswords : IPasswordValidator<Instructor>
{
    /// <summary>Letters of a password.</summary>
    public const int Shortest = 12, Longest = 128;

    /// <summary>Bytes kept of each digest.</summary>
    private const int Kept = 6;

    /// <summary>A word said over and over is as good as one of its length.</summary>
    private const int ShortWord = 4;

    private static readonly Lazy<HashSet<ulong>> Digests = new(Load);

    public static Sentence Rule => AccountTexts.PasswordRule(Shortest);

    public Task<IdentityResult> ValidateAsync(UserManager<Instructor> manager, Instructor user, string? password) =>
        Task.FromResult(Problem(password ?? "", user.Email) is { } problem
            ? IdentityResult.Failed(new IdentityError { Code = "Password", Description = problem })
            : IdentityResult.Success);

    /// <summary>What is wrong with a password, in words; null when it may be used.</summary>
    public static string? Problem(string password, string? email)
    {
        if (password.Length < Shortest)
        {
            return AccountTexts.PasswordTooShort(Rule);
        }

        if (password.Length > Longest)
        {
            return AccountTexts.PasswordTooLong(Longest);
        }

        var small = password.ToLowerInvariant();
        var name = email?.Split('@')[0].ToLowerInvariant() ?? "";
        if (name.Length >= ShortWord && Bare(small) == Bare(name))
        {
            return AccountTexts.PasswordIsAddress;
        }

        var word = Once(small);
        return word.Length <= ShortWord || IsCommon(small) || IsCommon(word) || IsCommon(Bare(small)) || IsCommon(Bare(word))
            ? AccountTexts.PasswordIsCommon
            : null;
    }

    /// <summary>Without the digits and signs around it.</summary>
    private static string Bare(string word)
    {
        var from = 0;
        var to = word.Length;
        while (from < to && !char.IsLetter(word[from]))
        {
            from++;
        }

        while (to > from && !char.IsLetter(word[to - 1]))
        {
            to--;
        }

        return word[from..to];
    }

    /// <summary>The shortest beginning that, said over and over, is the whole.</summary>
    private static string Once(string word)
    {
        for (var length = 1; length <= word.Length / 2; length++)
        {
            if (Enumerable.Range(length, word.Length - length).All(i => word[i] == word[i - length]))
            {
                return word[..length];
            }
        }

        return word;
    }

    private static bool IsCommon(string word) => Digests.Value.Contains(Key(SHA256.HashData(Encoding.UTF8.GetBytes(word))));

    private static ulong Key(ReadOnlySpan<byte> digest)
    {
        ulong key = 0;
        foreach (var part in digest[..Kept])
        {
            key = (key << 8) | part;
        }

        return key;
    }

    private static HashSet<ulong> Load()
    {
        using var stream = typeof(CommonPasswords).Assembly.GetManifestResourceStream("common-passwords.bin")!;
        var bytes = new byte[stream.Length];
        stream.ReadExactly(bytes);
        return [.. Enumerable.Range(0, bytes.Length / Kept).Select(i => Key(bytes.AsSpan(i * Kept, Kept)))];
    }
}
