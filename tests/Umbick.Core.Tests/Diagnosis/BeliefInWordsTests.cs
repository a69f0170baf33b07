using Umbick.Core.Diagnosis;

namespace Umbick.Core.Tests;

public sealed class BeliefInWordsTests
{
    [Theory]
    [InlineData(0, "under 1 %")]
    [InlineData(0.004, "under 1 %")]
    [InlineData(0.01, "1 %")]
    [InlineData(0.625, "62 %")]
    [InlineData(0.99, "99 %")]
    [InlineData(0.9951, "over 99 %")]
    [InlineData(1, "over 99 %")]
    public void Nothing_is_believed_wholly(double belief, string told) => Assert.Equal(told, BeliefInWords.PerCent(belief));
}
