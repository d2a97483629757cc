namespace FondCompass.Web.Accounts.SignIns;

/// <summary>How coming in ended.</summary>
/// <param name="Problem">Why not, in words; null when in, or when a code is asked for.</param>
/// <param name="NeedsCode">The password was right, and the account has a second factor.</param>
public readonly record struct SignInOutcome(string? Problem, bool NeedsCode = false);
