namespace FondCompass.Core.Wording.Texts.Pages;

/// <summary>What accounts, their letters and their pages answer; the texts are in AccountTexts.resx.</summary>
public static class AccountTexts
{
    private static readonly TextSource Source = new(typeof(AccountTexts));

    public static Sentence AccountAsked => Source.Say();

    public static Sentence AccountIsDeleted => Source.Say();

    public static Sentence AccountMadeJustNow => Source.Say();

    public static Sentence AddressChanged(string? address, string? old) => Source.Say([address, old]);

    public static Sentence AddressChangedSubject => Source.Say();

    public static Sentence AddressHasAStudio => Source.Say();

    public static Sentence AddressIsYoursAlready => Source.Say();

    public static Sentence AddressTakenByNow => Source.Say();

    public static Sentence AnotherAddressAsked(string? address, string? page) => Source.Say([address, page]);

    public static Sentence AnotherAddressSubject => Source.Say();

    public static Sentence BrowserSignedOutAlready => Source.Say();

    public static Sentence CodeDoesNotHold => Source.Say();

    public static Sentence DataTakenOutTooOften => Source.Say();

    public static Sentence DemoHasNoPassword => Source.Say();

    public static Sentence DidAskForAddress => Source.Say();

    public static Sentence DidAskForLetter => Source.Say();

    public static Sentence DidChangeAddress => Source.Say();

    public static Sentence DidChangePassword => Source.Say();

    public static Sentence DidChoosePassword => Source.Say();

    public static Sentence DidMakeRecoveryCodes => Source.Say();

    public static Sentence DidSignBrowserOut => Source.Say();

    public static Sentence DidSignIn => Source.Say();

    public static Sentence DidSignInByLetter => Source.Say();

    public static Sentence DidSignInWithCode => Source.Say();

    public static Sentence DidSignInWithRecoveryCode => Source.Say();

    public static Sentence DidSignOutEverywhere => Source.Say();

    public static Sentence DidTakeDataOut => Source.Say();

    public static Sentence DidTurnFactorOff => Source.Say();

    public static Sentence DidTurnFactorOn => Source.Say();

    public static Sentence DidWrongCode => Source.Say();

    public static Sentence DidWrongPassword => Source.Say();

    public static Sentence FactorIsOnAlready => Source.Say();

    public static Sentence FactorTurnedOff => Source.Say();

    public static Sentence FactorTurnedOn => Source.Say();

    public static Sentence IfItWasNotYou(string? words, string? page) => Source.Say([words, page]);

    public static Sentence LetterIfAccount(string? address) => Source.Say([address]);

    public static Sentence LetterOnItsWay(string? address) => Source.Say([address]);

    public static Sentence LettersAskedForNow(int letters) => Source.Say([letters]);

    public static Sentence LinkHoldsAnHour(string? first, string? link) => Source.Say([first, link]);

    public static Sentence MegabytesOfScripts => Source.Say();

    public static Sentence NewPasswordAsked => Source.Say();

    public static Sentence NewPasswordSubject => Source.Say();

    public static Sentence NewRecoveryCodes => Source.Say();

    public static Sentence NoAccountCanBeMade => Source.Say();

    public static Sentence NoSuchAccount => Source.Say();

    public static Sentence NoTimeZone(string? zone) => Source.Say([zone]);

    public static Sentence NobodySignedIn => Source.Say();

    public static Sentence NotThePassword => Source.Say();

    public static Sentence OnTheForgottenPage => Source.Say();

    public static Sentence OpenThisLink(string? link) => Source.Say([link]);

    public static Sentence PasswordChanged => Source.Say();

    public static Sentence PasswordChangedSubject => Source.Say();

    public static Sentence PasswordIsAddress => Source.Say();

    public static Sentence PasswordIsCommon => Source.Say();

    public static Sentence PasswordRule(int shortest) => Source.Say([shortest]);

    public static Sentence PasswordTooLong(int longest) => Source.Say([longest]);

    public static Sentence PasswordTooShort(string? rule) => Source.Say([rule]);

    public static Sentence RecoveryCodeUsed(int left) => Source.Say([left]);

    public static Sentence RecoveryCodeUsedSubject => Source.Say();

    public static Sentence SayThatYouMeanIt => Source.Say();

    public static Sentence SecondFactorSubject => Source.Say();

    public static Sentence StudioDeleted => Source.Say();

    public static Sentence StudioDeletedSubject => Source.Say();

    public static Sentence TooManyLetters => Source.Say();

    public static Sentence TooManyTries => Source.Say();

    public static Sentence UnknownBrowser => Source.Say();

    public static Sentence WasMade => Source.Say();

    public static Sentence WriteAddressAndPassword => Source.Say();

    public static Sentence WriteAnAddress(int most) => Source.Say([most]);

    public static Sentence YourAddress => Source.Say();

    public static Sentence YourNewAddress => Source.Say();

    public static Sentence YourStudio => Source.Say();
}
