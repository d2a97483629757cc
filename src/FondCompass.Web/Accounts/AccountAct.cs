using System.Diagnostics;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Accounts;

/// <summary>What happened with an account; kept by its name, so none is ever renamed.</summary>
public enum AccountAct
{
    Made,
    SignedIn,
    SignedInByLetter,
    SignedInWithCode,
    SignedInWithRecoveryCode,
    WrongPassword,
    WrongCode,
    ChangedPassword,
    ChosePasswordByLetter,
    AskedForPasswordLetter,
    AskedForAddress,
    ChangedAddress,
    SignedBrowserOut,
    SignedOutEverywhere,
    FactorOn,
    FactorOff,
    NewRecoveryCodes,
    TookDataOut,
}

/// <summary>Acts in words.</summary>
public static class AccountActs
{
    /// <summary>What is told of an event; those of earlier versions hold their words themselves.</summary>
    /// <param name="kept">The act as it is kept.</param>
    public static string Words(string kept) => Enum.GetNames<AccountAct>().Contains(kept) ? Of(Enum.Parse<AccountAct>(kept)) : kept;

    private static Sentence Of(AccountAct act) => act switch
    {
        AccountAct.Made => AccountTexts.WasMade,
        AccountAct.SignedIn => AccountTexts.DidSignIn,
        AccountAct.SignedInByLetter => AccountTexts.DidSignInByLetter,
        AccountAct.SignedInWithCode => AccountTexts.DidSignInWithCode,
        AccountAct.SignedInWithRecoveryCode => AccountTexts.DidSignInWithRecoveryCode,
        AccountAct.WrongPassword => AccountTexts.DidWrongPassword,
        AccountAct.WrongCode => AccountTexts.DidWrongCode,
        AccountAct.ChangedPassword => AccountTexts.DidChangePassword,
        AccountAct.ChosePasswordByLetter => AccountTexts.DidChoosePassword,
        AccountAct.AskedForPasswordLetter => AccountTexts.DidAskForLetter,
        AccountAct.AskedForAddress => AccountTexts.DidAskForAddress,
        AccountAct.ChangedAddress => AccountTexts.DidChangeAddress,
        AccountAct.SignedBrowserOut => AccountTexts.DidSignBrowserOut,
        AccountAct.SignedOutEverywhere => AccountTexts.DidSignOutEverywhere,
        AccountAct.FactorOn => AccountTexts.DidTurnFactorOn,
        AccountAct.FactorOff => AccountTexts.DidTurnFactorOff,
        AccountAct.NewRecoveryCodes => AccountTexts.DidMakeRecoveryCodes,
        AccountAct.TookDataOut => AccountTexts.DidTakeDataOut,
        _ => throw new UnreachableException($"{act} has no words"),
    };
}
