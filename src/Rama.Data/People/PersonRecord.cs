using Microsoft.AspNetCore.Identity;
using Rama.Core.Explain;

namespace Rama.Data.People;

/// <summary>A person with an account. The e-mail address is the name to sign in with.</summary>
public sealed class PersonRecord : IdentityUser<Guid>
{
    /// <summary>An account with a key that sorts by time.</summary>
    public PersonRecord() => Id = Guid.CreateVersion7();

    /// <summary>The name shown, such as <c>Counter 2</c>.</summary>
    public required string Name { get; set; }

    /// <summary>Units this person reads and types by default.</summary>
    public UnitSystem Units { get; set; }

    /// <summary>Language this person has chosen; empty until then, and the browser's is taken.</summary>
    public string Language { get; set; } = "";

    /// <summary>The estate they were last at work in, and begin in at the next sign-in.</summary>
    public Guid? LastEstateId { get; set; }
}
