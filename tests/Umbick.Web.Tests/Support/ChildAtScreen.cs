using OpenQA.Selenium;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Web.Tests;

/// <summary>A child at a screen of their own, who gives the right answer with a finger or with keys.</summary>
public static class ChildAtScreen
{
    /// <summary>Opens a sitting by its code, as a child's tablet does.</summary>
    public static void Enter(Browser browser, string code)
    {
        browser.Open("/go");
        browser.Find("#code").SendKeys(code + Keys.Enter);
        browser.AwaitPath("/turn");
    }

    /// <summary>Answers the question that is shown, rightly, and says what should be kept of it.</summary>
    public static string Answer(Browser browser, Item item, bool byTouch)
    {
        var raw = Put(browser, item, byTouch);
        if (AnswerBoxes.BoxFor(item) is AnswerBox.Verdict or AnswerBox.VerdictInWords && raw == "yes") return raw;
        browser.AwaitOpen();
        if (byTouch) browser.Tap("[data-done-button]");
        else if (AnswerBoxes.BoxFor(item) is AnswerBox.Keys or AnswerBox.Verdict or AnswerBox.HandAndTime) browser.Type(Keys.Enter);
        else
        {
            browser.TabTo("Done");
            browser.Type(Keys.Enter);
        }
        return raw;
    }

    /// <summary>Waits for the last page of a child's turn, and until every answer has reached the server.</summary>
    public static void AwaitFinished(Browser browser)
    {
        browser.Await("[data-finished]");
        browser.Await("#waiting[data-waiting='0']");
    }

    private static string Put(Browser browser, Item item, bool byTouch)
    {
        var right = item.Right.Short(Wording.Usual);
        switch (AnswerBoxes.BoxFor(item))
        {
            case AnswerBox.Keys:
                right = item is { OtherSkill: null, Task.Form: AnswerForm.Minutes } ? $"{item.Time.Minute}" : right;
                Figures(browser, right, byTouch);
                return right;
            case AnswerBox.Verdict or AnswerBox.VerdictInWords when item.ClaimIsRight:
                if (byTouch) browser.Tap("[data-verdict]");
                else
                {
                    browser.TabBackTo("Yes, that is right");
                    browser.AwaitOpen();
                    browser.Type(Keys.Enter);
                }
                return "yes";
            case AnswerBox.Verdict:
                Figures(browser, right, byTouch);
                return right;
            case AnswerBox.Words or AnswerBox.VerdictInWords:
                return Words(browser, item, byTouch);
            case AnswerBox.Hands:
                return Hands(browser, item, byTouch);
            case AnswerBox.HandAndTime:
                var hand = Hands(browser, item, byTouch);
                Figures(browser, right, byTouch);
                return $"{hand} {right}";
            case AnswerBox.Clocks:
                var at = item.Choices.ToList().FindIndex(choice => choice.Meaning == item.Time);
                Choose(browser, "raw", [$"{ClockLetters.LetterAt(at)}"], byTouch);
                return item.Choices[at].Short(Wording.Usual);
            case AnswerBox.Times:
                var raw = item.Choices.First(choice => choice.Meaning == item.Time).Short(Wording.Usual);
                Choose(browser, "raw", [raw], byTouch);
                return raw;
            case AnswerBox.Choice:
                Choose(browser, "raw", [right], byTouch);
                return right;
            case AnswerBox.Several:
                var all = item.Choices.Where(choice => choice.Meaning == item.Time).Select(choice => choice.Short(Wording.Usual)).ToList();
                Choose(browser, "chosen", all, byTouch);
                return string.Join("; ", all);
            case AnswerBox.HourPlace:
                var parts = right.Split(' ', 2);
                Choose(browser, "hourOf", [parts[0]], byTouch);
                Choose(browser, "placeOf", [parts[1]], byTouch);
                return right;
            case AnswerBox.Places:
                var places = (PlacesAnswer)item.Right;
                var beside = new[] { places.From, places.To }.Distinct().Order().Select(hour => $"{hour}").ToList();
                Choose(browser, "beside", beside, byTouch);
                Choose(browser, "longAt", [$"{places.MinuteAt}"], byTouch);
                return right;
            case AnswerBox.Pairs:
                for (var clock = 0; clock < item.Clocks.Count; clock++) Join(browser, clock, item.Clocks[clock].ToString(), byTouch);
                return right;
            case AnswerBox.Numerals:
                Numerals(browser, byTouch);
                return right;
            default:
                return Felt(browser, byTouch);
        }
    }

    private static void Figures(Browser browser, string figures, bool byTouch)
    {
        if (byTouch)
        {
            foreach (var key in figures) browser.Tap($"[data-key='{key}']");
        }
        else
        {
            browser.Find("#entry").Click();
            browser.Type(figures);
        }
    }

    private static string Words(Browser browser, Item item, bool byTouch)
    {
        var spoken = SpokenTime.From(item.Time);
        var amount = spoken.Amount switch { null => "", 15 => "quarter", 30 => "half", var minutes => $"{minutes}" };
        if (spoken.Form == SpokenForm.OClock)
        {
            Choose(browser, "amount", ["o'clock"], byTouch);
            Choose(browser, "hour", [$"{spoken.Hour}"], byTouch);
            return $"{spoken.Hour} o'clock";
        }
        if (browser.Has($"[name=amount][value='{amount}']")) Choose(browser, "amount", [amount], byTouch);
        else
        {
            if (byTouch) browser.Tap("[data-other-amount]");
            else browser.TabTo("Other number of minutes");
            browser.Type(amount);
        }
        var word = spoken.Form == SpokenForm.Past ? "past" : "to";
        Choose(browser, "way", [word], byTouch);
        Choose(browser, "hour", [$"{spoken.Hour}"], byTouch);
        return $"{amount} {word} {spoken.Hour}";
    }

    private static string Hands(Browser browser, Item item, bool byTouch)
    {
        var (hour, minute) = AnswerBoxes.LooseHands(item);
        var right = HandPositions.Showing(item.Time);
        if (item.Claim is PlacedAnswer { Hands: { } wrong })
        {
            // The hand that is wrong is the one to move.
            (hour, minute) = (HandPositions.HoursApart(wrong.Hour, right.Hour) > 0.1,
                HandPositions.MinutesApart(wrong.Minute, right.Minute) > 1);
        }
        if (minute) Place(browser, "minute", right.Minute, 60, byTouch);
        if (hour) Place(browser, "hour", right.Hour, 12, byTouch);
        return (hour ? browser.Find("[data-hand-value=hour]").GetAttribute("value")!.Trimmed() : "") + "|"
            + (minute ? browser.Find("[data-hand-value=minute]").GetAttribute("value")!.Trimmed() : "");
    }

    /// <summary>Puts a hand where it should be, by dragging it or by its keys.</summary>
    public static void Place(Browser browser, string hand, double to, int round, bool byTouch)
    {
        var now = double.Parse(browser.Find($"[data-hand={hand}]").GetAttribute("aria-valuenow")!,
            System.Globalization.CultureInfo.InvariantCulture);
        if (byTouch)
        {
            browser.Turn("[data-hands]", now * 360 / round, to * 360 / round, hand == "hour" ? 0.45 : 0.8);
            return;
        }
        browser.Focus($"[data-hand={hand}]");
        var (large, small, least) = hand == "hour" ? (1.0, 0.05, 0.01) : (5.0, 1.0, 0.2);
        var keys = "";
        var left = to - now;
        for (; Math.Abs(left) >= large; left -= Math.Sign(left) * large) keys += left > 0 ? Keys.PageUp : Keys.PageDown;
        for (; Math.Abs(left) >= small - 1e-9; left -= Math.Sign(left) * small) keys += left > 0 ? Keys.ArrowRight : Keys.ArrowLeft;
        if (keys.Length > 0) browser.Type(keys);
        for (; Math.Abs(left) >= least - 1e-9; left -= Math.Sign(left) * least)
            browser.TypeShifted(left > 0 ? Keys.ArrowRight : Keys.ArrowLeft);
    }

    private static void Choose(Browser browser, string name, IEnumerable<string> values, bool byTouch)
    {
        foreach (var value in values)
        {
            var css = $"[name={name}][value=\"{value}\"]";
            if (byTouch) browser.Tap(browser.LabelOf(css));
            else
            {
                browser.Focus(css);
                browser.Type(" ");
            }
        }
    }

    private static void Join(Browser browser, int clock, string time, bool byTouch)
    {
        if (byTouch)
        {
            browser.Tap(browser.LabelOf($"[name=joining][value='{clock}']"));
            browser.Tap($"[data-join='{time}']");
            return;
        }
        browser.Focus($"[name=joining][value='{clock}']");
        browser.Type(" ");
        browser.Focus($"[data-join='{time}']");
        browser.Type(Keys.Enter);
    }

    private static void Numerals(Browser browser, bool byTouch)
    {
        for (var place = 0; place < 12; place++)
        {
            var numeral = Hours.Named(place);
            if (byTouch)
            {
                browser.Tap($".place-{place}");
                browser.Tap($"[data-numeral='{numeral}']");
            }
            else
            {
                browser.Focus($".place-{place}");
                browser.Type($"{numeral}");
            }
        }
    }

    private static string Felt(Browser browser, bool byTouch)
    {
        foreach (var words in new[] { "Start", "Stop" })
        {
            browser.Await("[data-feel]");
            Assert.Equal(words, browser.Find("[data-feel]").Text);
            if (byTouch) browser.Tap("[data-feel]");
            else
            {
                browser.Focus("[data-feel]");
                browser.Type(Keys.Enter);
            }
        }
        return browser.Find("[data-felt]").GetAttribute("value")!;
    }

    private static string Trimmed(this string place) =>
        double.Parse(place, System.Globalization.CultureInfo.InvariantCulture).ToString("0.##",
            System.Globalization.CultureInfo.InvariantCulture);
}
