# frozen_string_literal: true

require "web_helper"

# Every link with a secret in it, forged by chance more than a thousand times: by a sign that is another, by its end,
# by its case, by somebody else's number. None opens anything, and all that are wrong are answered alike.
RSpec.describe "A link that was forged", :web do
  let(:athlete) { make_athlete(born_on: clock.now.to_date - 15 * 365) }
  let(:random) { Random.new(20_261_130) }

  # @return [Hash{String => String}] kinds of links, each with one that opens
  def links
    coach = WebHelpers.keeper
    by = {by: coach, now: clock.now}
    role = Windlass::Forms::RoleForm.parse({"kind" => "coach", "of" => "all"})
    feed = Windlass::Records::Feed.create!(athlete: athlete, secret: SecureRandom.hex(24), made_at: clock.now)
    {
      "morning" => morning_links.path(athlete),
      "watch" => Windlass::FollowLinks.new(Windlass::Security.secret, maker: coach.id).path(plan(prescribe(athlete))),
      "letters" => "/letters/#{Windlass::Actions::AskClinician.call(athlete, **by)}",
      "consents" => "/consents/#{Windlass::Actions::KeepConsent.link(athlete, **by)}",
      "devices" => "/devices/#{Windlass::Actions::BindDevice.link(athlete, **by)}",
      "invitations" => "/invitations/#{Windlass::Actions::Invite.call(account, role, **by)}",
      "feeds" => "/feeds/#{feed.secret}.ics"
    }
  end

  let(:signs) { [*"a".."z", *"A".."Z", *"0".."9", "-", "_"] }

  # @return [String] the same with one sign another, or longer, shorter, in another case, turned round
  def forged(secret)
    at = random.rand(secret.size)
    case random.rand(6)
    when 0 then secret[0...at] + (signs - [secret[at]]).sample(random: random) + secret[(at + 1)..]
    when 1 then secret[0...at] + secret[(at + 1)..]
    when 2 then secret[0...at] + signs.sample(random: random) + secret[at..]
    when 3 then secret.swapcase
    when 4 then secret.reverse
    else Array.new(secret.size) { signs.sample(random: random) }.join
    end
  end

  it "opens nothing, writes nothing, and is answered as any other that is wrong" do
    make_pause(athlete)
    given = links
    WebHelpers.seated = false
    expect(given.transform_values { |path| get(path).status }.values.uniq).to eq [200]

    rows = -> { Windlass::Archive::TABLES.sum { |table| table.record.unscoped.count } }
    before = rows.call
    answers = given.to_h do |kind, path|
      *, secret = path.delete_suffix(".ics").split("/")
      tries = Array.new(300) { forged(secret) }.uniq - [secret]
      [kind, tries.map { |one| get(path.sub(secret, one)).then { |got| [got.status, got.body.size] } }.tally]
    end
    expect(answers.values.flat_map(&:keys).map(&:first).uniq).to eq [404]
    expect(answers.transform_values(&:size)).to eq(given.transform_values { 1 })
    expect(answers.values.sum { |tally| tally.values.sum }).to be > 1_000
    expect(rows.call).to eq before
    # They were no worse for it.
    expect(given.transform_values { |path| get(path).status }.values.uniq).to eq [200]
  end
end
