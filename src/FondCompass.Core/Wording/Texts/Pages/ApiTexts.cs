namespace FondCompass.Core.Wording.Texts.Pages;

/// <summary>What the HTTP interface answers; the texts are in ApiTexts.resx.</summary>
public static class ApiTexts
{
    private static readonly TextSource Source = new(typeof(ApiTexts));

    public static Sentence ADanceAndARoom => Source.Say();

    public static Sentence ADanceScript => Source.Say();

    public static Sentence AList => Source.Say();

    public static Sentence ANumber => Source.Say();

    public static Sentence AScriptAndASong => Source.Say();

    public static Sentence AScriptAndASpan => Source.Say();

    public static Sentence AString => Source.Say();

    public static Sentence AWholeNumber => Source.Say();

    public static Sentence AnObject => Source.Say();

    public static Sentence AnotherType => Source.Say();

    public static Sentence AsHard => Source.Say();

    public static Sentence AtTheSamePlaceToo => Source.Say();

    public static Sentence BodyIsEmpty(string? what) => Source.Say([what]);

    public static Sentence BodyNeeds(string? what) => Source.Say([what]);

    public static Sentence EasierBy(double by) => Source.Say([by]);

    public static Sentence FieldAs(string field, Sentence kind) => Source.Say([field, kind]);

    public static Sentence FirstDancesAreTooMuch(int dances, string? size, string? most) => Source.Say([dances, size, most]);

    public static Sentence FreeWording => Source.Say();

    public static Sentence GoesFromTo(double value, double least, double most) => Source.Say([value, least, most]);

    public static Sentence HalfACharacter => Source.Say();

    public static Sentence HarderBy(double by) => Source.Say([by]);

    public static Sentence Impossible => Source.Say();

    public static Sentence InField(string field, string message) => Source.Say([field, message]);

    public static Sentence IsAWholeNumber(double value) => Source.Say([value]);

    public static Sentence IsAboveTo(double value, double most) => Source.Say([value, most]);

    public static Sentence IsOneOf(string said, string choices) => Source.Say([said, choices]);

    public static Sentence LadderSent(int most, double slowest, double fastest) => Source.Say([most, slowest, fastest]);

    public static Sentence LeavesTheFloorToo => Source.Say();

    public static Sentence MetresAway(double metres) => Source.Say([metres]);

    public static Sentence MostBytesRead(int kib, string? what) => Source.Say([kib, what]);

    public static Sentence MostScript(int kib) => Source.Say([kib]);

    public static Sentence MostSent(int sent, int most) => Source.Say([sent, most]);

    public static Sentence NoGenreSent(string? genre) => Source.Say([genre]);

    public static Sentence NoJson(string? row) => Source.Say([row]);

    public static Sentence NoSuchLineSent(string? part, int lines, int line) => Source.Say([part, lines, line]);

    public static Sentence NoSuchPartSent(string? name, string? parts) => Source.Say([name, parts]);

    public static Sentence NoTurnAtAll => Source.Say();

    public static Sentence NotJson => Source.Say();

    public static Sentence NotOfThisGenre => Source.Say();

    public static Sentence NothingWasSent => Source.Say();

    public static Sentence PassageCountsWhole(int number, string name, double counts) => Source.Say([number, name, counts]);

    public static Sentence PassageNeedsCounts => Source.Say();

    public static Sentence PassageTooLong(int number, string? name, int most) => Source.Say([number, name, most]);

    public static Sentence RepeatsTooMany(int repeats, int counts, int most) => Source.Say([repeats, counts, most]);

    public static Sentence SendAs(string what, string type) => Source.Say([what, type]);

    public static Sentence SendUtf8(string? charset) => Source.Say([charset]);

    public static Sentence SomethingIsMissing => Source.Say();

    public static Sentence SpanEndsBeforeItBegins(int from, int to) => Source.Say([from, to]);

    public static Sentence SpanOfWholeCounts(string? field, string? label, int counts) => Source.Say([field, label, counts]);

    public static Sentence StartFacingSent(string? said) => Source.Say([said]);

    public static Sentence SwapWhy(Sentence known, Sentence hard, Sentence turns, Sentence leaves, Sentence ends, Sentence genre) =>
        Source.Say([known, hard, turns, leaves, ends, genre]);

    public static Sentence TakesAndStoresNothing(string? what) => Source.Say([what]);

    public static Sentence TempoGoesFromTo(double bpm, double slowest, double fastest) => Source.Say([bpm, slowest, fastest]);

    public static Sentence TheyKnowIt => Source.Say();

    public static Sentence TooLarge => Source.Say();

    public static Sentence TrueOrFalse => Source.Say();

    public static Sentence TurnsInAll(string? amount) => Source.Say([amount]);

    public static Sentence UnknownCharacterSet => Source.Say();

    public static Sentence UnknownGenre => Source.Say();

    public static Sentence WhatIsFilled => Source.Say();

    public static Sentence WhatIsPlanned => Source.Say();
}
