using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>
/// Nothing scrolls sideways, nothing lies on another control, and every control can be hit, from a small phone to a table's screen.
/// </summary>
public class LayoutTests(DemoBrowser demo) : IClassFixture<DemoBrowser>
{
    private static readonly int[] Widths = [320, 390, 640, 1024, 1280];

    /// <summary>Controls as they are seen; links in running text are the text's.</summary>
    private const string Measured = """
        const least = arguments[0];
        const faults = [];
        const root = document.scrollingElement;
        const name = e => (e.getAttribute('aria-label') || e.textContent || e.name || e.id || e.className || e.tagName).trim().replace(/\s+/g, ' ').slice(0, 40) + ' <' + e.tagName.toLowerCase() + '>';
        if (root.scrollWidth > innerWidth + 1) {
            const out = [...document.body.querySelectorAll('*')].filter(e => {
                const r = e.getBoundingClientRect();
                if (r.width === 0 || r.right <= innerWidth + 1) return false;
                for (let p = e.parentElement; p && p !== document.body; p = p.parentElement) {
                    if (getComputedStyle(p).overflowX !== 'visible') return false;
                }
                return true;
            });
            faults.push('scrolls sideways to ' + root.scrollWidth + ': ' + out.slice(0, 3).map(name).join('; '));
        }
        const clipped = e => { for (let p = e.parentElement; p; p = p.parentElement) { const s = getComputedStyle(p); if (s.overflow !== 'visible' && p !== document.body && p !== root) return p; } return null; };
        const seen = [...document.querySelectorAll('button, select, textarea, input:not([type=hidden]), summary, nav a, a.button, a.btn, [role=button]')].filter(e => {
            const s = getComputedStyle(e), r = e.getBoundingClientRect();
            return s.visibility !== 'hidden' && s.opacity !== '0' && r.width > 1 && r.height > 1 && !e.closest('svg') && e.checkVisibility();
        });
        const boxOf = e => { const l = (e.type === 'checkbox' || e.type === 'radio') && e.closest('label') || e; return l.getBoundingClientRect(); };
        for (const e of seen) {
            const r = boxOf(e);
            if (Math.min(r.width, r.height) < least - 0.5 && getComputedStyle(e).display !== 'inline') faults.push(name(e) + ' is ' + Math.round(r.width) + ' by ' + Math.round(r.height) + ', less than ' + least);
        }
        const fixed = e => { for (let p = e; p; p = p.parentElement) { if (['fixed', 'sticky'].includes(getComputedStyle(p).position)) return true; } return false; };
        const boxes = seen.filter(e => !fixed(e) && !clipped(e)).map(e => [e, e.getBoundingClientRect()]);
        for (let i = 0; i < boxes.length; i++) {
            for (let j = i + 1; j < boxes.length; j++) {
                const [a, p] = boxes[i], [b, q] = boxes[j];
                if (a.contains(b) || b.contains(a)) continue;
                const x = Math.min(p.right, q.right) - Math.max(p.left, q.left), y = Math.min(p.bottom, q.bottom) - Math.max(p.top, q.top);
                if (x > 2 && y > 2) faults.push(name(a) + ' and ' + name(b) + ' lie on each other');
            }
        }
        return faults.slice(0, 12).join('\n');
        """;

    [Theory]
    [MemberData(nameof(DemoBrowser.Pages), MemberType = typeof(DemoBrowser))]
    public void A_page_fits_every_width(string page)
    {
        var faults = new List<string>();
        foreach (var width in Widths)
        {
            // Opened on the smallest and on the largest; in between as somebody turns a tablet or draws a window larger.
            if (width == Widths[0] || width == Widths[^1])
            {
                demo.Open(page, width);
            }
            else
            {
                demo.Resize(width);
            }

            var least = width <= 390 || page.EndsWith("/teach", StringComparison.Ordinal) ? 44 : 24;
            if (demo.Browser.Run(Measured, least) is string { Length: > 0 } found)
            {
                faults.Add($"at {width}:\n{found}");
            }
        }

        Assert.True(faults.Count == 0, string.Join('\n', faults));
    }

    [Theory]
    [InlineData("/dances/DANCE/write")]
    [InlineData("/dances/DANCE/fit")]
    [InlineData("/dances/DANCE/floor")]
    [InlineData("/steps?step=vine")]
    public void Words_in_drawings_can_be_read_on_a_table_and_on_a_phone(string page)
    {
        foreach (var width in new[] { 1280, 390 })
        {
            demo.Open(page, width);
            demo.Open(page, width);
            var small = (string)demo.Browser.Run("""
                return [...document.querySelectorAll('main svg text')].filter(t => t.textContent.trim() && t.getBoundingClientRect().width > 0)
                  .map(t => [parseFloat(getComputedStyle(t).fontSize) * Math.hypot(t.getScreenCTM().a, t.getScreenCTM().b), t.textContent.trim()])
                  .filter(([size]) => size < 10.95).slice(0, 8).map(([size, words]) => `${words} ${size.toFixed(1)}`).join(', ');
                """)!;
            Assert.True(small.Length == 0, $"at {width}: {small}");
        }
    }
}
