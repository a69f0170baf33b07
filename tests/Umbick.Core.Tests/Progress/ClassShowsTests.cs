using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Progress;

namespace Umbick.Core.Tests;

/// <summary>What a whole class shows, from how its questions came out.</summary>
public sealed class ClassShowsTests
{
    private static ClassQuestion At(int hour, int minute, int answered, int missed) =>
        new(new Item(ClockTasks.ReadDigital, new ClockTime(hour, minute)), answered, missed);

    [Fact]
    public void What_most_miss_is_for_teaching_to_all() => Assert.Equal(
        "Most of the class miss 4:45 (7 of 14), 6:50 (12 of 14). That is for teaching to all: quarter to; five-minute times, to. "
            + "It alone is no reason to take a child out.",
        ClassShows.InWords([At(3, 0, 14, 1), At(4, 45, 14, 7), At(5, 10, 14, 6), At(6, 50, 14, 12)], Wording.Usual));

    [Fact]
    public void Of_few_answers_or_few_misses_nothing_is_said()
    {
        Assert.Null(ClassShows.InWords([At(4, 45, 4, 4)], Wording.Usual));
        Assert.Null(ClassShows.InWords([At(4, 45, 14, 6)], Wording.Usual));
        Assert.Null(ClassShows.InWords([], Wording.Usual));
    }
}
