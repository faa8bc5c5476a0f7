# frozen_string_literal: true

require "web_helper"

# What is about somebody's health lies encrypted in the database, its key beside it.
RSpec.describe "What is about health", :web, :both_databases do
  let(:athlete) { make_athlete(notes: "Faints when blood is drawn") }

  # What lies in the database, as whoever has the file and no key reads it.
  def lies(table, column)
    connection = Windlass::Records::Record.connection
    connection.select_values("SELECT #{connection.quote_column_name(column)} FROM #{table}").join
  end

  def answer(path, *conditions)
    all = Windlass::Screening::MATRIX.conditions.to_h { |one| [one.id, conditions.include?(one.id).to_s] }
    submit(path, path, answers: all, guardian_consent_on: "")
  end

  def archive
    written = StringIO.new
    Windlass::Archive::Writer.new(account).write { |part| written << part }
    JSON.parse(written.string)
  end

  # The key is away, and a server that knew it is gone, too.
  def without_the_key
    kept = Windlass::Records::HouseKey.file
    File.rename(kept, "#{kept}.away")
    Windlass::Records::HouseKey.forget
    yield
  ensure
    Windlass::Records::HouseKey.bring("#{kept}.away", kept)
    Windlass::Records::HouseKey.forget
  end

  before { answer("/athletes/#{athlete.id}/screening", :asthma) }

  it "says nothing to who has the file and no key, and everything to who coaches" do
    answer("/screenings/#{athlete.screenings.order(:id).last.id}/correct", :epilepsy)
    expect(lies("screenings", "conditions") + lies("athletes", "notes") + lies("corrections", "before")).not_to match(
      /asthma|epilepsy|Faints/
    )
    expect(get("/athletes/#{athlete.id}/screening").body.downcase).to include("epilepsy", "asthma")
    expect(get("/athletes/#{athlete.id}").body).to include("Faints when blood is drawn")
    expect(File.stat(Windlass::Records::HouseKey.file).mode & 0o777).to eq 0o600
  end

  it "is a photograph, too, byte for byte" do
    make_pause(athlete)
    picture = ("\xFF\xD8\xFF".b + Random.new(1).bytes(50_000))
    photo = Windlass::Actions::KeepPhoto.call(run_set(prescribe(athlete)), picture, now: clock.now)
    expect(get("/photos/#{photo.uuid}").body.b == picture).to be true
    expect(photo.reload.bytes.b == picture).to be true
    without_the_key do
      expect([get("/photos/#{photo.uuid}").status, text]).to match [422, include("can not be read")]
      expect(archive["photos"]).to eq []
    end
    expect(archive["photos"].map { |one| one["bytes"].unpack1("m") == picture }).to eq [true]
  end

  it "counts as not answered without the key, is never written over, and is all there once the key is back" do
    sealed = lies("athletes", "notes")
    without_the_key do
      expect(Windlass::Records::Sealed.lost?).to be true
      found = athlete.class.find(athlete.id)
      expect(found.to_screen(on: clock.now.to_date).finding(:small, on: clock.now.to_date).state).to eq :blocked
      get("/athletes/#{athlete.id}/screening")
      expect([text, page.css("[name^=answers][checked]").size]).to match [include("answer it anew"), 0]
      expect { found.update!(notes: "Nothing to say") }.to raise_error(Windlass::Error, /kept as it is/)
      found.reload.update!(name: "Ines of the Quay")
      expect(archive["screenings"]).to eq []
      letter = Windlass::Actions::AskClinician.call(athlete, by: WebHelpers.keeper, now: clock.now)
      expect(get("/letters/#{letter}").body).to include("can not be read just now")
      # What is answered meanwhile has a key of its own, which stays.
      answer("/athletes/#{athlete.id}/screening", :epilepsy)
    end
    expect(lies("athletes", "notes")).to eq sealed
    expect(Windlass::Records::Sealed.lost?).to be false
    expect(athlete.class.find(athlete.id).screenings.order(:id).map(&:conditions)).to eq [[], ["asthma"], ["epilepsy"]]
    expect(get("/athletes/#{athlete.id}").body).to include("Faints when blood is drawn")
  end

  it "is sealed where it lay plain before" do
    Windlass::Records::Record.connection.execute("UPDATE athletes SET notes = 'It''s the blood'")
    Windlass::Records::Record.connection.execute("UPDATE screenings SET conditions = '[\"asthma\"]'")
    expect(athlete.reload.notes).to eq "It's the blood"
    unless defined?(SealWhatIsAboutHealth)
      load Dir[File.join(Windlass::Database::MIGRATIONS, "*_seal_what_is_about_health.rb")].sole
    end
    ActiveRecord::Migration.suppress_messages { SealWhatIsAboutHealth.new.up }
    expect(lies("athletes", "notes") + lies("screenings", "conditions")).not_to match(/blood|asthma/)
    expect([athlete.reload.notes, athlete.screenings.map(&:conditions).uniq]).to eq ["It's the blood", [["asthma"]]]
  end
end
