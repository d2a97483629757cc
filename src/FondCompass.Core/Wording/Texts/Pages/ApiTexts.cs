namespace FondCompass.Core.Wording.Texts.Pages;

/// <summary>What the HTTP interface answers; the texts are in ApiTexts.resx.</summary>
public static class ApiTexts
{
    private static readonly TextSource Source = new(typeof(ApiTexts));

    public static Sentence ADanceAndARoom => Source.Say();

    public static Sentence AListOfNumbers => Source.Say();

    public static Sentence AListOfStrings => Source.Say();

    public static Sentence AScriptAndASong => Source.Say();

    public static Sentence AScriptAndASpan => Source.Say();

    public static Sentence AnotherType => Source.Say();

    public static Sentence AsAnObject(string? at, string? name, int index) => Source.Say([at, name, index]);

    public static Sentence AsHard => Source.Say();

    public static Sentence AsTrueOrFalse(string? at, string? name) => Source.Say([at, name]);

    public static Sentence AtTheSamePlaceToo => Source.Say();

    public static Sentence BlockWithId(string? at) => Source.Say([at]);

    public static Sentence BodyIsEmpty(string? what) => Source.Say([what]);

    public static Sentence BodyNeeds(string? what) => Source.Say([what]);

    public static Sentence CountsAsNumber => Source.Say();

    public static Sentence DancersAsNumber => Source.Say();

    public static Sentence DancesAsList => Source.Say();

    public static Sentence EasierBy(double by) => Source.Say([by]);

    public static Sentence FieldOfPassageAsNumber(string? field, int number) => Source.Say([field, number]);

    public static Sentence FirstDancesAreTooMuch(int dances, string? size, string? most) => Source.Say([dances, size, most]);

    public static Sentence GoesFromTo(string? at, string? name, double value, double least, double most) =>
        Source.Say([at, name, value, least, most]);

    public static Sentence HalfACharacterIn(string? what) => Source.Say([what]);

    public static Sentence HarderBy(double by) => Source.Say([by]);

    public static Sentence IsAWholeNumber(string? at, string? name, string? value) => Source.Say([at, name, value]);

    public static Sentence IsOneOf(string? at, string? name, string? said, string? choices) => Source.Say([at, name, said, choices]);

    public static Sentence LadderSent(string? at, int most, double slowest, double fastest) => Source.Say([at, most, slowest, fastest]);

    public static Sentence LeavesTheFloorToo => Source.Say();

    public static Sentence LessonMinutesSent(double minutes, double longest) => Source.Say([minutes, longest]);

    public static Sentence LineAsNumber => Source.Say();

    public static Sentence MetresAway(double metres) => Source.Say([metres]);

    public static Sentence MinutesAsNumber => Source.Say();

    public static Sentence MostBytesRead(int kib, string? what) => Source.Say([kib, what]);

    public static Sentence MostDancesSent(int sent, int most) => Source.Say([sent, most]);

    public static Sentence MostObstaclesSent(string? at, int sent, int most) => Source.Say([at, sent, most]);

    public static Sentence MostPinsSent(int sent, int most) => Source.Say([sent, most]);

    public static Sentence MostScript(int kib) => Source.Say([kib]);

    public static Sentence NameOfPassage(int number) => Source.Say([number]);

    public static Sentence NoGenreSent(string? genre) => Source.Say([genre]);

    public static Sentence NoJson(string? row) => Source.Say([row]);

    public static Sentence NoSuchLineSent(string? part, int lines, int line) => Source.Say([part, lines, line]);

    public static Sentence NoSuchPartSent(string? name, string? parts) => Source.Say([name, parts]);

    public static Sentence NoTurnAtAll => Source.Say();

    public static Sentence NotOfThisGenre => Source.Say();

    public static Sentence NothingWasSent => Source.Say();

    public static Sentence NumberGoesFromTo(string? at, string? name, int value, int least, int most) =>
        Source.Say([at, name, value, least, most]);

    public static Sentence PartWithItsName => Source.Say();

    public static Sentence PassageAsObject(int number) => Source.Say([number]);

    public static Sentence PassageCountsWhole(int number, string? name, string? counts) => Source.Say([number, name, counts]);

    public static Sentence PassageTooLong(int number, string? name, int most) => Source.Say([number, name, most]);

    public static Sentence RepeatsTooMany(int repeats, int counts, int most) => Source.Say([repeats, counts, most]);

    public static Sentence RoomSideSent(string? at, string? side, double metres, double widest) => Source.Say([at, side, metres, widest]);

    public static Sentence RoomWithItsSides => Source.Say();

    public static Sentence ScriptAsString(string? at) => Source.Say([at]);

    public static Sentence SendUtf8(string? charset) => Source.Say([charset]);

    public static Sentence SomethingIsMissing => Source.Say();

    public static Sentence SongWithItsPassages => Source.Say();

    public static Sentence SpanEndsBeforeItBegins(int from, int to) => Source.Say([from, to]);

    public static Sentence SpanOfWholeCounts(string? field, string? label, int counts) => Source.Say([field, label, counts]);

    public static Sentence StartAsCounts => Source.Say();

    public static Sentence StartFacingSent(string? said) => Source.Say([said]);

    public static Sentence StartWeightAsFoot => Source.Say();

    public static Sentence SwapWhy(Sentence known, Sentence hard, Sentence turns, Sentence leaves, Sentence ends, Sentence genre) =>
        Source.Say([known, hard, turns, leaves, ends, genre]);

    public static Sentence TakesAndStoresNothing(string? what) => Source.Say([what]);

    public static Sentence TempoGoesFromTo(string? at, string? name, double bpm, double slowest, double fastest) =>
        Source.Say([at, name, bpm, slowest, fastest]);

    public static Sentence TheyKnowIt => Source.Say();

    public static Sentence TurnsInAll(string? amount) => Source.Say([amount]);

    public static Sentence UnknownCharacterSet => Source.Say();

    public static Sentence WhatIsFilled => Source.Say();

    public static Sentence WhatIsPlanned => Source.Say();

    public static Sentence WithACountsLabel(string? field) => Source.Say([field]);
}
