namespace Umbick.Hosting;

/// <summary>The schools at which somebody works.</summary>
public sealed class PersonSchools(Database database)
{
    /// <summary>Each school that knows somebody by this name, with who they are there; none where nobody has it.</summary>
    public Task<IReadOnlyList<(SchoolId School, PersonId Person)>> Find(string userName, CancellationToken cancel = default) =>
        database.BeforeSchool(connection => People.FindByName(connection, People.Normalized(userName)), cancel);

    /// <summary>The same, read whole.</summary>
    public async Task<IReadOnlyList<(School School, Person Person)>> Load(string userName, CancellationToken cancel)
    {
        var schools = new List<(School, Person)>();
        foreach (var (school, person) in await Find(userName, cancel))
            schools.Add(await database.InSchool(school,
                async connection => (await Schools.Current(connection), (await People.Find(connection, person))!), cancel));
        return schools;
    }

    /// <summary>
    /// The page on which somebody begins who has signed in: whoever has to be told of their second step is told first; whoever works at
    /// several schools chooses one.
    /// </summary>
    /// <param name="person">Who has signed in.</param>
    /// <param name="asked">The page that they had asked for, within this site; null where they came to sign in.</param>
    /// <param name="cancel">Ends it.</param>
    public async Task<string> FirstPage(Person person, string? asked, CancellationToken cancel)
    {
        if (person.SecondStepOffAt is not null) return "/you";
        return (await Find(person.UserName, cancel)).Count > 1 ? "/schools"
            : asked ?? (person.Role == PersonRole.Teacher ? "/day" : "/helping");
    }
}
