namespace Umbick.Web.Tests;

/// <summary>Links that the person in charge makes on the page of people, as paths.</summary>
internal static class Links
{
    /// <summary>One that invites somebody new.</summary>
    public static async Task<string> Invitation(Visitor charge, string role) =>
        await Handed(await charge.Send("/people", "Make a link", new() { ["name"] = "Plover", ["role"] = role }));

    /// <summary>One that lets a colleague choose a new password.</summary>
    public static async Task<string> Reset(Visitor charge, PersonId person)
    {
        var (_, fields) = await charge.Form("/people", "cannot get in");
        fields["person"] = person.ToString();
        return await Handed(await charge.Post("/people?handler=Reset", fields));
    }

    private static async Task<string> Handed(HttpResponseMessage answer) =>
        new Uri((await Visitor.Read(answer)).QuerySelector("#handed")!.TextContent).AbsolutePath;
}
