using FondCompass.Core.Text;
using Xunit;

namespace FondCompass.Core.Tests.Text;

/// <summary>How a row is cut: each token with its kind and its columns.</summary>
public class LexerTests
{
    private static string Told(IEnumerable<Token> tokens) =>
        string.Join(' ', tokens.Select(t => $"{t.Kind}:{t.Text}@{t.Span.Start}-{t.Span.End}"));

    [Theory]
    [InlineData("", "")]
    [InlineData("  \t ", "")]
    [InlineData("1-4 vine R", "Number:1@0-1 Mark:-@1-2 Number:4@2-3 Word:vine@4-8 Word:r@9-10")]
    // Times of day are clock facings: one or two digits, a colon or a stop, two digits and no more.
    [InlineData("3:00", "Clock:3:00@0-4")]
    [InlineData("10.30", "Clock:10:30@0-5")]
    [InlineData("110:30", "Number:110@0-3 Separator::@3-4 Number:30@4-6")]
    [InlineData("3:0", "Number:3@0-1 Separator::@1-2 Number:0@2-3")]
    [InlineData("3:000", "Number:3@0-1 Separator::@1-2 Number:000@2-5")]
    [InlineData("3:0x", "Number:3@0-1 Separator::@1-2 Times:0@2-4")]
    [InlineData("3:", "Number:3@0-1 Separator::@1-2")]
    [InlineData("12:30 ", "Clock:12:30@0-5")]
    // Parts of a turn.
    [InlineData("1/4", "Fraction:1/4@0-3")]
    [InlineData("11/16 l", "Fraction:11/16@0-5 Word:l@6-7")]
    [InlineData("1⁄2", "Fraction:1/2@0-3")]
    [InlineData("1/", "Number:1@0-1 Separator:/@1-2")]
    [InlineData("1/x", "Number:1@0-1 Separator:/@1-2 Word:x@2-3")]
    [InlineData("¼½¾⅛⅜⅝⅞", "Fraction:1/4@0-1 Fraction:1/2@1-2 Fraction:3/4@2-3 Fraction:1/8@3-4 Fraction:3/8@4-5 Fraction:5/8@5-6 Fraction:7/8@6-7")]
    [InlineData("1¼", "Number:1@0-1 Fraction:1/4@1-2")]
    // How often.
    [InlineData("4x", "Times:4@0-2")]
    [InlineData("4X.", "Times:4@0-2 Separator:.@2-3")]
    [InlineData("4×", "Times:4@0-2")]
    [InlineData("4x4", "Number:4@0-1 Times:4@1-3")]
    [InlineData("4xs", "Number:4@0-1 Word:xs@1-3")]
    [InlineData("x12", "Times:12@0-3")]
    [InlineData("X3)", "Times:3@0-2 Close:)@2-3")]
    [InlineData("×3", "Times:3@0-2")]
    [InlineData("x3rd", "Word:x3rd@0-4")]
    [InlineData("x", "Word:x@0-1")]
    [InlineData("x y", "Word:x@0-1 Word:y@2-3")]
    // Ordinals.
    [InlineData("1st 2nd 3rd 4TH", "Word:1st@0-3 Word:2nd@4-7 Word:3rd@8-11 Word:4th@12-15")]
    [InlineData("4ths", "Number:4@0-1 Word:ths@1-4")]
    [InlineData("4th2", "Number:4@0-1 Word:th2@1-4")]
    [InlineData("4t", "Number:4@0-1 Word:t@1-2")]
    [InlineData("4ab", "Number:4@0-1 Word:ab@1-3")]
    // Feet in a row.
    [InlineData("RL", "Word:r@0-1 Word:l@1-2")]
    [InlineData("RRLL walk", "Word:r@0-1 Word:r@1-2 Word:l@2-3 Word:l@3-4 Word:walk@5-9")]
    [InlineData("RLs", "Word:rls@0-3")]
    [InlineData("RL2", "Word:rl2@0-3")]
    [InlineData("RL's", "Word:rl's@0-4")]
    [InlineData("aRL", "Word:arl@0-3")]
    [InlineData("2RL", "Number:2@0-1 Word:rl@1-3")]
    [InlineData("rl", "Word:rl@0-2")]
    [InlineData("RLRLRLRLRLRLRLRLR", "Word:rlrlrlrlrlrlrlrlr@0-17")]
    // Words of any letters, with what stands inside them.
    [InlineData("don't", "Word:don't@0-5")]
    [InlineData("don’t", "Word:don’t@0-5")]
    [InlineData("don' t", "Word:don@0-3 Mark:'@3-4 Word:t@5-6")]
    [InlineData("don'", "Word:don@0-3 Mark:'@3-4")]
    [InlineData("zurück", "Word:zurück@0-6")]
    [InlineData("zuru\u0308ck", "Word:zuru\u0308ck@0-7")]
    [InlineData("КРОК", "Word:крок@0-4")]
    [InlineData("A1b", "Word:a1b@0-3")]
    [InlineData("w/ arms", "Word:with@0-2 Word:arms@3-7")]
    [InlineData("W/", "Word:with@0-2")]
    [InlineData("w", "Word:w@0-1")]
    [InlineData("오른발R", "Word:오른발@0-3 Word:r@3-4")]
    [InlineData("R오른발", "Word:r@0-1 Word:오른발@1-4")]
    [InlineData("가힣a", "Word:가힣@0-2 Word:a@2-3")]
    [InlineData("ᄀᇿa", "Word:ᄀᇿ@0-2 Word:a@2-3")]
    [InlineData("ㄱㆎa", "Word:ㄱㆎ@0-2 Word:a@2-3")]
    // Signs.
    [InlineData("(a) [b] {c}", "Open:(@0-1 Word:a@1-2 Close:)@2-3 Open:(@4-5 Word:b@5-6 Close:)@6-7 Open:(@8-9 Word:c@9-10 Close:)@10-11")]
    [InlineData("a, b; c，d、e", "Word:a@0-1 Separator:,@1-2 Word:b@3-4 Separator:,@4-5 Word:c@6-7 Separator:,@7-8 Word:d@8-9 Separator:,@9-10 Word:e@10-11")]
    [InlineData("a/b|c→d:e.f。g…", "Word:a@0-1 Separator:/@1-2 Word:b@2-3 Separator:|@3-4 Word:c@4-5 Separator:→@5-6 Word:d@6-7 Separator::@7-8 Word:e@8-9 Separator:.@9-10 Word:f@10-11 Separator:.@11-12 Word:g@12-13 Separator:.@13-14")]
    [InlineData("a->b", "Word:a@0-1 Separator:→@1-3 Word:b@3-4")]
    [InlineData("a - b", "Word:a@0-1 Separator:–@2-3 Word:b@4-5")]
    [InlineData("- b", "Separator:–@0-1 Word:b@2-3")]
    [InlineData("a -", "Word:a@0-1 Separator:–@2-3")]
    [InlineData("a -b", "Word:a@0-1 Mark:-@2-3 Word:b@3-4")]
    [InlineData("a- b", "Word:a@0-1 Mark:-@1-2 Word:b@3-4")]
    [InlineData("-", "Separator:–@0-1")]
    [InlineData("&+", "Word:and@0-1 Word:plus@1-2")]
    [InlineData("“a”!?*", "Mark:“@0-1 Word:a@1-2 Mark:”@2-3 Mark:!@3-4 Mark:?@4-5 Mark:*@5-6")]
    [InlineData("🐟a", "Other:🐟@0-2 Word:a@2-3")]
    [InlineData("👩\u200d🦰", "Other:👩\u200d🦰@0-5")]
    [InlineData("%\u0301 %", "Other:%\u0301@0-2 Other:%@3-4")]
    [InlineData("a\u0001b", "Word:a@0-1 Word:b@2-3")]
    public void A_row_is_cut_into_tokens_with_their_columns(string row, string tokens) => Assert.Equal(tokens, Told(Lexer.Read(row)));

    [Fact]
    public void Half_a_character_is_a_token_of_its_own() => Assert.Equal("Other:\ud83d@0-1 Word:a@1-2", Told(Lexer.Read("\ud83da")));

    [Fact]
    public void Letters_that_need_two_units_are_letters() =>
        Assert.Equal(["Word:𐐨𐐩@0-4", "Word:a@5-6"], Told(Lexer.Read("𐐀𐐩 a")).Split(' '));

    [Theory]
    [InlineData("1-4 vine R", 4, 8, "Word:vine@4-8")]
    [InlineData("vine RLR", 5, 6, "Word:r@5-6")]
    [InlineData("12:30", 0, 4, "Number:12@0-2 Separator::@2-3 Number:3@3-4")]
    [InlineData("1/4x", 0, 2, "Number:1@0-1 Separator:/@1-2")]
    public void Of_a_piece_only_the_piece_is_read(string row, int from, int to, string tokens) =>
        Assert.Equal(tokens, Told(Lexer.Read(row, from, to)));

    [Fact]
    public void Words_of_any_length_are_in_lower_case() =>
        Assert.All([63, 64, 65, 500], n => Assert.Equal(new string('y', n), Lexer.Read(new string('Y', n)).Single().Text));

    [Theory]
    [InlineData("0", 0)]
    [InlineData("7", 7)]
    [InlineData("4096", 4096)]
    [InlineData("99999999999", 0)]
    public void A_number_out_of_all_reason_has_no_value(string row, int value) => Assert.Equal(value, Lexer.Read(row).Single().Number);

    [Theory]
    [InlineData("abc", 5, "abc")]
    [InlineData("abc", 3, "abc")]
    [InlineData("abc", 2, "ab")]
    [InlineData("abc", 0, "")]
    [InlineData("a🐟c", 1, "a")]
    [InlineData("a🐟c", 2, "a")]
    [InlineData("a🐟c", 3, "a🐟")]
    public void A_character_is_left_out_rather_than_halved(string text, int most, string cut) => Assert.Equal(cut, Letters.Cut(text, most));
}
