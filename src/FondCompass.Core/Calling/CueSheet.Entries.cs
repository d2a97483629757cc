using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Runs;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Calling;

/// <summary>What may be said of changes, parts, layers and lines.</summary>
public sealed partial class CueSheet
{
    private List<SheetCue> Told(List<Entry> entries, IReadOnlyList<Called> called)
    {
        var said = called.ToDictionary(c => c.Item);
        var cues = new List<SheetCue>();
        for (var i = 0; i < entries.Count; i++)
        {
            var entry = entries[i];
            var isSaid = said.TryGetValue(i, out var call);
            if (!isSaid && !entry.IsMissed)
            {
                continue;
            }

            var needs = isSaid ? _speech.Seconds(call.Option.Words) : 0;
            var at = isSaid ? call.At : entry.Item.Deadline;
            cues.Add(new SheetCue(
                entry.Stretch.Repeat,
                entry.Stretch.Part,
                Math.Max(1, entry.Line),
                entry.Count,
                entry.Step,
                isSaid ? call.Option.Words : "",
                isSaid ? call.Option.Form : CueForm.None,
                at,
                at + (needs * _settings.Rate.Share),
                Time(entry.From),
                needs,
                isSaid ? call.Room / _settings.Rate.Share : 0,
                entry.From,
                entry.To,
                entry.Best,
                WhyOf(entry, isSaid ? call : null))
            { Layer = entry.Layer });
        }

        return cues;
    }

    /// <summary>Why it is said so: what it is worth saying for, and what was shortened, moved or left out.</summary>
    private string WhyOf(Entry entry, Called? said)
    {
        if (said is not { } call)
        {
            return CallTexts.NoRoomToSay(entry.Best);
        }

        var why = entry.Why;
        if (call.Late > 0)
        {
            why += CallTexts.SaidLate(call.Late / _settings.Rate.Share);
        }
        else if (entry.Best.Length > 0
            && entry.Best != call.Option.Words
            && entry.Item.Options.First(o => o.Words == entry.Best) is { } best
            && best.Takes > call.Option.Takes + 1e-9)
        {
            why += CallTexts.BestDoesNotFit(entry.Best, best.Takes / _settings.Rate.Share);
        }

        return call.At < entry.Item.Begins - 1e-6 ? CallTexts.BegunEarlier(why) : why;
    }

    private void AddChange(RunChange change)
    {
        // It is told before the first movement of what it tells of, a pick-up too.
        var first = _begins.GetValueOrDefault(change.At, change.At);
        var from = Begins(change.At, _eight);
        var options = change.Words.Select((w, i) => new CallOption(
            w,
            CueForm.Structural,
            (change.Words.Count - i) * 4 - Speech.Syllables(w),
            Takes(w),
            from))
            .ToList();
        _entries.Add(new Entry(
            new CallItem(options, Deadline(Math.Min(first, change.At)), Begins(change.At, ChangeLead), Must: true, AheadFrom: from),
            change.Stretch,
            0,
            "1",
            "",
            change.At,
            change.Until,
            CallTexts.ToldOnceInTheEightBefore,
            change.Words[0],
            false));
    }

    private void AddStretch(RunStretch stretch, List<CallPhrase> phrases)
    {
        var at = _phrases.Count;
        _begins[stretch.FromCount] = phrases.Count > 0 ? phrases[0].From : stretch.FromCount;
        _phrases.AddRange(phrases);
        var notes = _settings.Rule == CallRule.CountsOnly ? [] : RunTimeline.NotesOf(_run, stretch).ToList();
        var own = notes.FindAll(n => n.Kind == "cue");
        var units = new LineUnits(stretch, phrases, _words);
        var otherSide = false;
        foreach (var phrase in phrases)
        {
            var cue = own.Find(n => n.SongCount >= phrase.From - 1e-6
                && n.SongCount < Math.Floor(phrase.From + 1 + 1e-6)
                && n.SongCount < phrase.To);
            if (units.Begins(phrase) is { } line && _settings.Rule != CallRule.CountsOnly)
            {
                otherSide = AddLine(stretch, line, phrase, units, _settings.Rule == CallRule.ChangesOnly ? null : cue?.Text);
            }

            if (cue is not null)
            {
                own.Remove(cue);
            }

            AddPhrase(at++, units, otherSide, cue?.Text);
        }

        foreach (var (layer, worth) in _layers.Of(notes).Where(l => l.Worth > 0))
        {
            AddLayer(stretch, layer, worth);
        }

        foreach (var cue in own.Where(_ => _settings.Rule == CallRule.All))
        {
            AddOwn(stretch, cue.SongCount, cue.Line, cue.Text, "", cue.SongCount, cue.SongCount.After(1));
        }
    }

    /// <summary>What arms, hips or voice do, behind the call of the step it lies on.</summary>
    private void AddLayer(RunStretch stretch, RunNote layer, double worth)
    {
        var from = layer.SongCount;
        var option = new CallOption(layer.Text, CueForm.Name, worth, Takes(layer.Text), Begins(from, Math.Max(LongLead, _settings.Lead)));
        _entries.Add(new Entry(
            new CallItem([CallOption.Silence, option], Deadline(from), Begins(from, _settings.Lead), Must: false),
            stretch,
            layer.Line,
            CountOf(stretch, from),
            "",
            from,
            _run.Song.Time.CountAt(layer.Until), CallTexts.OnTopOfTheFeetOnce, layer.Text, false)
        { Layer = layer.Kind });
    }

    private void AddOwn(RunStretch stretch, double from, int line, string words, string step, double begins, double to)
    {
        var takes = Takes(_words.Spoken(words));
        var deadline = Deadline(from);
        var earliest = Math.Min(Begins(from, LongLead), deadline - takes);
        var option = new CallOption(_words.Spoken(words), CueForm.Own, 0, takes, earliest);
        _entries.Add(new Entry(
            new CallItem([option], deadline, Begins(from, _settings.Lead), Must: true),
            stretch,
            line,
            CountOf(stretch, from),
            step,
            begins,
            to,
            CallTexts.YourOwnWords,
            "",
            false));
    }

    private static string CountOf(RunStretch stretch, double from)
    {
        var at = (int)Math.Floor(from - stretch.FromCount + stretch.Stretch.From + 1e-6);
        var line = stretch.Stretch.Pattern.Part.Lines.LastOrDefault(l => l.Start <= Tick.FromCounts(at));
        return $"{at - (line is null ? 0 : line.Start.Value / Tick.PerCount) + 1}";
    }

    /// <summary>A line by its name: what it is called the first time, that it comes again, that it is danced on the other side.</summary>
    /// <returns>Whether it is told to be the other side.</returns>
    private bool AddLine(RunStretch stretch, LineUnit line, CallPhrase first, LineUnits units, string? cue)
    {
        var met = units.Meet(line, _met);
        if (!line.IsTold || cue is not null)
        {
            return false;
        }

        var words = met.IsFirst ? [line.Name]
            : met.IsOtherSide ? met.IsAgain ? [_tongue.OtherSide] : [CallTongue.Say(_tongue.NameOtherSide, line.Name), _tongue.OtherSide]
            : met.IsAgain ? (string[])[_tongue.Again]
            : [line.Name];
        var options = new List<CallOption> { CallOption.Silence };
        foreach (var said in words)
        {
            var worth = (said == _tongue.OtherSide ? 0 : _worth.OfLine(met.IsFirst, stretch))
                + (met.IsOtherSide ? PhraseWorth.OfOtherSide(true) : 0)
                - Speech.Syllables(said);
            if (worth > 0 && (_settings.Rule == CallRule.All || met.IsOtherSide))
            {
                options.Add(new CallOption(said, CueForm.Name, worth, Takes(said), Begins(first.From, Math.Max(LongLead, _settings.Lead))));
            }
        }

        if (options.Count > 1)
        {
            _entries.Add(new Entry(
                new CallItem(options, Deadline(first.From), Begins(first.From, ChangeLead), Must: false),
                stretch,
                line.Number,
                first.Count,
                line.Name,
                first.From,
                line.To,
                met.IsFirst ? CallTexts.LineNameFirstTime : CallTexts.LineDancedAgain, words[0], met.IsFirst));
        }

        return met.IsOtherSide;
    }
}
