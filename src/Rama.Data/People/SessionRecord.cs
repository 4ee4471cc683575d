namespace Rama.Data.People;

/// <summary>A sign-in that has not ended: a cookie is worth something only while its session is here.</summary>
public sealed class SessionRecord
{
    /// <summary>How long a session lasts that nobody uses.</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromDays(14);

    /// <summary>Named in the cookie.</summary>
    public Guid Id { get; init; } = Guid.CreateVersion7();

    /// <summary>Who signed in.</summary>
    public Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public DateTimeOffset BegunAt { get; init; }

    /// <summary>When it was last used, to about ten minutes.</summary>
    public DateTimeOffset SeenAt { get; set; }

    /// <summary>What the browser says of itself; empty where it says nothing.</summary>
    public string Browser { get; init; } = "";
}
