using Umbick.Core.Practice;
using Umbick.Training;

namespace Umbick.Core.Tests;

/// <summary>A visit with three made-up children: what an adult does, and what they are told.</summary>
public sealed class TrainingVisitTests
{
    private const int Visit = 3;

    [Fact]
    public void Whoever_waits_helps_nobody_too_soon_and_sees_who_copies()
    {
        var copies = 0;
        foreach (var visit in Enumerable.Range(1, 20))
        {
            var played = Play(visit, string.Concat(Enumerable.Repeat("wwwwwwn", TrainingVisit.Faces)));
            Assert.True(played.IsOver);
            Assert.Empty(played.TooSoon);
            Assert.Empty(played.NotWaitedFor);
            Assert.All(played.Copies, copy => Assert.NotEqual(copy.Said, copy.Alone));
            // What came right may be their own.
            Assert.All(played.Copies, copy => Assert.NotEqual(copy.Item.Time, copy.Item.Read(copy.Said).Meaning));
            Assert.Single(played.Children, child => child.Manner == Manner.Copier);
            copies += played.Copies.Count;
        }
        Assert.True(copies > 20);
    }

    [Fact]
    public void With_boards_face_down_nobody_copies()
    {
        foreach (var visit in Enumerable.Range(1, 20))
            Assert.Empty(Play(visit, string.Concat(Enumerable.Repeat("dwwwwwwn", TrainingVisit.Faces))).Copies);
    }

    [Fact]
    public void Boards_that_lie_face_down_are_shown_once_all_are_ready()
    {
        var early = Play(Visit, "dww");
        Assert.Contains(early.Now, seat => seat.Board is not null);
        Assert.All(early.Now, seat => Assert.False(seat.IsShown));
        Assert.All(Play(Visit, "dwwwwww").Now, seat => Assert.True(seat.IsShown));
    }

    [Fact]
    public void A_rung_to_whoever_still_thinks_comes_too_soon_and_says_how_long_it_would_have_taken()
    {
        var slow = Slow(Play(Visit, ""));
        var played = Play(Visit, $"w{(char)('a' + slow)}1");
        var noted = Assert.Single(played.TooSoon);
        Assert.Equal((1, 5, Rung.LookAgain), (noted.Face, noted.Seconds, noted.Rung!.Value));
        Assert.InRange(noted.Would, 14, 24);
    }

    [Fact]
    public void To_go_on_while_somebody_thinks_is_not_to_wait_for_them()
    {
        var played = Play(Visit, "wn");
        Assert.Contains(played.NotWaitedFor, noted => noted.Child.Manner == Manner.Slow && noted.Seconds == 5);
        Assert.Equal(1, played.Face);
        Assert.Equal(0, played.Seconds);
    }

    [Fact]
    public void To_be_told_mends_every_answer_and_is_more_than_was_needed()
    {
        foreach (var visit in Enumerable.Range(1, 10))
        {
            var before = Play(visit, "wwwwww");
            if (before.Now.Index().Where(seat => !seat.Item.CameRight).Select(seat => (int?)seat.Index).FirstOrDefault() is not { } wrong)
                continue;
            var after = Play(visit, $"wwwwww{(char)('a' + wrong)}4");
            Assert.True(after.Now[wrong].CameRight);
            Assert.Equal(Rung.Told, Assert.Single(after.TooHigh).Rung);
        }
    }

    [Theory]
    [InlineData("wdnb2a4", 5)]
    [InlineData("", 0)]
    [InlineData("x", null)]
    [InlineData("a", null)]
    [InlineData("a9", null)]
    [InlineData("d2", null)]
    public void Moves_are_read_from_an_address_and_written_back(string text, int? count)
    {
        var moves = VisitMove.Read(text);
        Assert.Equal(count, moves?.Count);
        if (moves is not null) Assert.Equal(text, VisitMove.Write(moves));
    }

    [Fact]
    public void More_moves_than_a_visit_has_are_none() => Assert.Null(VisitMove.Read(new string('w', VisitMove.Most + 1)));

    private static TrainingVisit Play(int visit, string moves) => new(visit, VisitMove.Read(moves)!);

    private static int Slow(TrainingVisit visit) =>
        visit.Children.Index().First(child => child.Item.Manner == Manner.Slow).Index;
}
