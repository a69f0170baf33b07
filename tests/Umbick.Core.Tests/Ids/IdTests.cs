namespace Umbick.Core.Tests;

public sealed class IdTests
{
    private const string Known = "01a22cbc-390d-7935-901d-f754b3b40182";

    [Theory]
    [InlineData(Known, true)]
    [InlineData("00000000-0000-0000-0000-000000000000", false)]
    public void All_zeros_are_no_id(string text, bool given) => Assert.Equal(given, ChildId.Parse(text).IsGiven);

    [Theory]
    [InlineData(Known, true)]
    [InlineData("", false)]
    [InlineData(null, false)]
    [InlineData("Fennel", false)]
    public void An_id_is_read_as_it_stands_in_an_address(string? text, bool isId)
    {
        Assert.Equal(isId, SittingId.TryParse(text, null, out var id));
        Assert.Equal(isId ? text : "00000000-0000-0000-0000-000000000000", id.ToString());
    }

    [Fact]
    public void Ids_made_one_after_the_other_stand_in_that_order()
    {
        var ids = Enumerable.Range(0, 20)
            .Select(second => (AnswerId)Guid.CreateVersion7(DateTimeOffset.UnixEpoch.AddSeconds(second))).ToList();
        Assert.Equal(ids, ids.OrderDescending().Reverse());
    }
}
