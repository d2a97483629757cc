using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Identity;
using QRCoder;

namespace FondCompass.Web.Accounts.SignIns;

/// <summary>
/// One-time codes beside the password (RFC 6238, by the framework's own): begun with a key that an app on a telephone reads as a picture,
/// turned on with a first code, with
/// recovery codes for who has lost the telephone.
/// </summary>
public sealed class SecondFactor(
    SignIn door,
    SignInManager<Instructor> signIn,
    UserManager<Instructor> users,
    FailedSignIns tries,
    AccountLog log,
    AccountLetters post)
{
    /// <summary>How long the code is waited for after the password.</summary>
    public static readonly TimeSpan Asked = TimeSpan.FromMinutes(10);

    /// <summary>Recovery codes given at once, each good for one sign-in.</summary>
    public const int RecoveryCodes = 10;

    /// <summary>Digits of a code; a recovery code is longer.</summary>
    private const int Digits = 6;

    private const string Issuer = "Fond Compass";

    public static string WrongCode => AccountTexts.CodeDoesNotHold;

    private string From => AccountLog.FromOf(signIn.Context);

    /// <summary>Makes a new key that is not asked for yet.</summary>
    public async Task Prepare(Instructor account)
    {
        await users.ResetAuthenticatorKeyAsync(account);
        await door.GoOn(account);
    }

    /// <summary>The key, in groups of four letters to be typed; null where none was made.</summary>
    public async Task<string?> KeyOf(Instructor account) =>
        await users.GetAuthenticatorKeyAsync(account) is { Length: > 0 } key
            ? string.Join(' ', key.ToLowerInvariant().Chunk(4).Select(c => new string(c)))
            : null;

    /// <summary>The key as a picture of squares that apps read: rows of modules, dark where true.</summary>
    public async Task<IReadOnlyList<IReadOnlyList<bool>>> PictureOf(Instructor account)
    {
        var key = await users.GetAuthenticatorKeyAsync(account);
        var told =
            $"otpauth://totp/{Uri.EscapeDataString($"{Issuer}:{account.Email}")}?secret={key}"
            + $"&issuer={Uri.EscapeDataString(Issuer)}&digits={Digits}";
        using var made = QRCodeGenerator.GenerateQrCode(told, QRCodeGenerator.ECCLevel.M);
        return [.. made.ModuleMatrix.Select(row => (IReadOnlyList<bool>)[.. row.Cast<bool>()])];
    }

    /// <summary>Turns it on with a first code; gives the recovery codes, null where the code is wrong.</summary>
    public async Task<IReadOnlyList<string>?> TurnOn(Instructor account, string? code)
    {
        if (!await Holds(account, code))
        {
            return null;
        }

        await users.SetTwoFactorEnabledAsync(account, true);
        var codes = (await users.GenerateNewTwoFactorRecoveryCodesAsync(account, RecoveryCodes))!.ToList();
        await Told(
            account,
            AccountAct.FactorOn,
            AccountTexts.FactorTurnedOn);
        return codes;
    }

    public async Task TurnOff(Instructor account)
    {
        await users.SetTwoFactorEnabledAsync(account, false);
        await users.ResetAuthenticatorKeyAsync(account);
        await Told(
            account,
            AccountAct.FactorOff,
            AccountTexts.FactorTurnedOff);
    }

    /// <summary>New recovery codes; those from before hold no more.</summary>
    public async Task<IReadOnlyList<string>> NewCodes(Instructor account)
    {
        var codes = (await users.GenerateNewTwoFactorRecoveryCodesAsync(account, RecoveryCodes))!.ToList();
        await Told(account, AccountAct.NewRecoveryCodes, AccountTexts.NewRecoveryCodes);
        return codes;
    }

    public Task<int> CodesLeft(Instructor account) => users.CountRecoveryCodesAsync(account);

    /// <summary>Lets in whoever has given the password and gives the code now; what is wrong otherwise.</summary>
    public async Task<string?> In(Instructor account, bool stays, string? code)
    {
        if (!await tries.Begin($"code {account.Id}"))
        {
            log.Decide(SignInDecision.TooManyTries, account.Id, From);
            return SignIn.Wait;
        }

        var written = Bare(code);
        var isRecovery = written.Length > Digits;
        if (isRecovery
            ? (await users.RedeemTwoFactorRecoveryCodeAsync(account, written.ToUpperInvariant())).Succeeded
            : await Holds(account, written))
        {
            await tries.Forget($"code {account.Id}");
            await signIn.Context.SignOutAsync(IdentityConstants.TwoFactorUserIdScheme);
            await door.Enter(account, isRecovery ? AccountAct.SignedInWithRecoveryCode : AccountAct.SignedInWithCode, stays);
            if (isRecovery)
            {
                post.Tell(
                    account.Email!,
                    AccountTexts.RecoveryCodeUsedSubject,
                    AccountTexts.RecoveryCodeUsed(await CodesLeft(account)));
            }

            return null;
        }

        log.Decide(SignInDecision.WrongCode, account.Id, From);
        await log.Write(account.Id, AccountAct.WrongCode, From, signIn.Context.RequestAborted);
        return WrongCode;
    }

    /// <summary>Whether a code is the app's of now; each opens once.</summary>
    private async Task<bool> Holds(Instructor account, string? code) =>
        Bare(code) is { Length: Digits } written
            && await users.VerifyTwoFactorTokenAsync(account, TokenOptions.DefaultAuthenticatorProvider, written)
            && await tries.Begin($"used {account.Id} {written}", most: 1);

    /// <summary>A code as it is compared: people write it with spaces and dashes.</summary>
    private static string Bare(string? code) =>
        string.Concat((code ?? "").Where(c => !char.IsWhiteSpace(c))) is var plain
            && plain.Replace("-", "", StringComparison.Ordinal) is { Length: Digits } digits
            && digits.All(char.IsAsciiDigit)
            ? digits
            : plain;

    private async Task Told(Instructor account, AccountAct act, string words)
    {
        await door.GoOn(account);
        await log.Write(account.Id, act, From, signIn.Context.RequestAborted);
        post.Tell(account.Email!, AccountTexts.SecondFactorSubject, words);
    }
}
