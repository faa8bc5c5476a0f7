# frozen_string_literal: true

require "web_helper"

RSpec.describe "Lists", :web, :both_databases do
  def names = page.css("main tbody th a").map(&:text)

  describe "of athletes" do
    it "are searched, sorted by what is known of them, and turned page by page" do
      ada, bo, cy = ["Ada Quill", "Bo Marsh", "Cy Dunn"].map { |name| make_athlete(name: name) }
      make_pause(ada, 30)
      make_pause(bo, 20)
      run_set(prescribe(bo))
      run_set(prescribe(ada), at: clock.now - 3 * 86_400)
      Windlass::Records::Group.create!(account_id: account.id, name: "Tide").athletes << cy
      asked = [
        "order=pause",
        "order=trained",
        "order=idle",
        "search=MARSH",
        "search=%25",
        "search=freediving&order=name",
        "group=#{Windlass::Records::Group.last.id}",
        "order=nonsense&who=x&group=x&page=-9"
      ]
      found = asked.map { |query| get("/athletes?#{query}") && names.map { |name| name[0] }.join }

      expect(found).to eq ["BAC", "BAC", "CAB", "B", "", "ABC", "C", "ABC"]
    end

    it "are turned without losing what was asked for" do
      51.times { |number| make_athlete(name: format("Diver %02d", number)) }
      get("/athletes?search=diver")
      expect([names.size, names.last, page.at(".pages").text.squeeze(" \n").strip]).to match [
        50,
        "Diver 49",
        /Page 1 of 2/
      ]
      get(page.at(".pages a[rel=next]")["href"])
      expect([names, page.at("#search")["value"]]).to eq [["Diver 50"], "diver"]
      get("/athletes?search=diver&page=99999999999999999999")
      expect(names).to eq ["Diver 50"]
    end

    it "leave out who has left, as Today and the groups do, until they are brought back" do
      athlete = make_athlete
      prescribe(athlete.tap { |one| make_pause(one, at: clock.now - 26 * 3600) })
      group = Windlass::Records::Group.create!(account_id: account.id, name: "Tide")
      group.athletes << athlete
      submit("/athletes/#{athlete.id}/edit", "/athletes/#{athlete.id}/left")
      expect([get("/athletes") && names, get("/athletes?who=left") && names, group.reload.athletes.to_a]).to eq [
        [],
        [athlete.name],
        []
      ]
      get("/")
      expect(text).not_to include athlete.name.split.last
      get("/athletes/#{athlete.id}")
      expect(text).to include "Left on 2 March 2026"

      submit("/athletes/#{athlete.id}", "/athletes/#{athlete.id}/back")
      expect([get("/athletes") && names, group.reload.athletes.to_a]).to eq [[athlete.name], [athlete]]
    end
  end

  it "of a measure hold all that was ever taken, in the order that is asked for" do
    athlete = make_athlete
    (1..53).each { |back| make_pause(athlete, 20 + back % 7, at: clock.now - back * 86_400) }
    get("/athletes/#{athlete.id}/measures/control_pause?order=highest")
    expect([names.size, page.css("td.n").map(&:text).first, text]).to match [50, "26 s", /53 measures/]
    get(page.at(".pages a[rel=next]")["href"])
    expect(page.css("td.n").map(&:text)).to eq ["20 s"] * 3
    expect(get("/athletes/#{athlete.id}/measures/rubbish").status).to eq 404
  end
end
