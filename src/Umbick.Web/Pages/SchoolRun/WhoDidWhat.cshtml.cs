using Microsoft.AspNetCore.Authorization;
using Umbick.Casework;
using Umbick.Casework.Accounts;

namespace Umbick.Web.Pages.SchoolRun;

/// <summary>Who did what at the school, the latest first.</summary>
[Authorize(Who.InCharge)]
public sealed class WhoDidWhatModel(IDatabase database) : SchoolPage(database)
{
    public IReadOnlyList<AuditEntry> Entries { get; private set; } = [];

    public IReadOnlyDictionary<PersonId, string> People { get; private set; } = new Dictionary<PersonId, string>();

    public PersonId? Person { get; private set; }

    public string? What { get; private set; }

    public ChildId? Child { get; private set; }

    /// <summary>The alias of the child that is filtered by.</summary>
    public string? Alias { get; private set; }

    public DateOnly? Until { get; private set; }

    private bool _hasEarlier;

    /// <summary>The address of the entries before these; null where there are none.</summary>
    public string? Earlier => !_hasEarlier ? null
        : $"/who-did-what?person={Person}&what={What}&child={Child}&until={Until:yyyy-MM-dd}&before={Entries[^1].Id}";

    public Task OnGet(PersonId? person, string? what, ChildId? child, DateOnly? until, long? before) => InSchool(async connection =>
        {
            (Person, What, Child, Until) = (person, AuditKinds.All.Any(each => each.Id == what) ? what : null, child, until);
            People = await Staff.Names(connection);
            (Entries, _hasEarlier) = await Deeds.Load(connection, Person, What, Child, Until, before);
            if (child is { } id) Alias = (await Enrolment.Find(connection, id))?.Alias;
        });
}
