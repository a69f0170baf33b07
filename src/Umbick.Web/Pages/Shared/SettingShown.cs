using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Teaching;
using Umbick.Drawing;

namespace Umbick.Web.Pages;

/// <summary>What a group of settings comes to, as it is chosen: a face, or what is said.</summary>
/// <param name="Heading">What the group is called.</param>
/// <param name="Face">A face as it is drawn, where it shows the choice best.</param>
/// <param name="Sentences">What is said or done.</param>
public sealed record SettingShown(string Heading, Face? Face, IReadOnlyList<string> Sentences)
{
    /// <summary>A group, shown as a school or a child has it.</summary>
    public static SettingShown From(SettingGroup group, TeachingPreferences preferences) => group switch
    {
        SettingGroup.Teaching => new("How clocks are taught", null,
        [
            $"“{ChildWords.Routine(preferences, setting: false)}”",
            $"“{ChildWords.LookAgain(Step.Hour, preferences)}”",
            $"“{ChildWords.LookAgain(Step.Minutes, preferences)}”",
        ]),
        SettingGroup.Words => new("Words and figures", null,
            [Said(new(6, 10), preferences.Wording), Said(new(5, 50), preferences.Wording), Said(new(8, 30), preferences.Wording),
                $"“Half eight” is {(preferences.HalfHour switch
                {
                    HalfMeaning.Before => preferences.Wording.Digital(new(7, 30)),
                    HalfMeaning.After => preferences.Wording.Digital(new(8, 30)),
                    _ => "asked about",
                })}."]),
        SettingGroup.Face => new("The clock itself", Clock(new(10, 10), Support.Bare), []),
        SettingGroup.Practising =>
            new("Practising", Clock(new(4, 20), preferences.Support ?? Support.Full),
                [preferences.Support is null ? "Full help, which fades from set to set." : "The first clocks of a set."]),
        _ => new("While asking", null,
            [$"{char.ToUpperInvariant(Wording.Number(preferences.Length)[0])}{Wording.Number(preferences.Length)[1..]} questions. "
                + $"{(preferences.Timed ? "How long each answer takes is measured quietly." : "Nothing is timed.")}"]),
    };

    private static string Said(ClockTime time, Wording wording) => $"{wording.Digital(time)} is “{wording.Words(time)}”.";

    private static Face Clock(ClockTime time, Support support) =>
        new(FaceSize.Large) { Hands = HandPositions.Showing(time), Support = support, Label = "A clock as it is chosen" };
}
